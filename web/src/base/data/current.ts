import {
  isFulfilled,
  isPending,
  isRejected,
  type Middleware,
  type UnknownAction,
} from '@reduxjs/toolkit'

/** What of an RTK Query API this needs. */
interface Reads<Tag> {
  util: {
    invalidateTags: { match: (action: unknown) => action is { payload: Tag[] } & UnknownAction }
    selectInvalidatedBy: (state: never, tags: readonly Tag[]) => { queryCacheKey: string }[]
  }
  endpoints: object
}

/** A reading, as its actions tell of it. */
interface Asked {
  endpointName: string
  originalArgs: unknown
  queryCacheKey?: string
  forceRefetch?: unknown
  subscribe?: boolean
}

type Initiate = (args: unknown, options: { subscribe: false; forceRefetch: true }) => UnknownAction

/**
 * Reads once more what was to be read again while it was being read, since the answer may be older than what it
 * was to be read again for. RTK Query by itself leaves alone what is under way, and knows what an answer shows
 * only once it is there.
 */
export function keepCurrent<Tag>({ util, endpoints }: Reads<Tag>): Middleware {
  /** How often something was told to be written, and which time was the last for each tag. */
  let told = 0
  const lastOf = new Map<string, { tag: Tag; at: number }>()
  /** What had been told as each reading began. */
  const begunAt = new Map<string, number>()
  /** What was to be read again and was left alone. */
  const missed = new Set<string>()

  return ({ dispatch, getState }) => {
    function isToldSince(begun: number, queryCacheKey: string): boolean {
      const since = [...lastOf.values()].filter(({ at }) => at > begun).map(({ tag }) => tag)
      const shown = util.selectInvalidatedBy(getState() as never, since)
      return shown.some((one) => one.queryCacheKey === queryCacheKey)
    }

    return (next) => (action) => {
      if (util.invalidateTags.match(action)) {
        told += 1
        for (const tag of action.payload) lastOf.set(JSON.stringify(tag), { tag, at: told })
      }
      const done = next(action)
      if (!isPending(action) && !isFulfilled(action) && !isRejected(action)) return done
      const { requestId } = action.meta
      const { queryCacheKey: key, ...asked } = action.meta.arg as Asked
      // A write has none.
      if (key === undefined) return done
      if (isPending(action)) {
        begunAt.set(requestId, told)
        missed.delete(key)
      } else if (isRejected(action) && action.meta.condition) {
        if (asked.forceRefetch && !asked.subscribe) missed.add(key)
      } else {
        const begun = begunAt.get(requestId) ?? told
        begunAt.delete(requestId)
        if (missed.delete(key) || (isFulfilled(action) && isToldSince(begun, key))) {
          const { initiate } = endpoints[asked.endpointName as never] as { initiate: Initiate }
          dispatch(initiate(asked.originalArgs, { subscribe: false, forceRefetch: true }))
        }
      }
      return done
    }
  }
}
