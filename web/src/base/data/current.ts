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

/** A reading or a write of the API's, as its actions tell of it. */
interface Asked {
  type: 'query' | 'infinitequery' | 'mutation'
  endpointName: string
  originalArgs: unknown
  queryCacheKey: string
}

type Initiate = (args: unknown, options: { subscribe: false; forceRefetch: true }) => UnknownAction

/**
 * Reads once more what was written while it was being read, since the answer may be older than the write.
 * RTK Query by itself leaves alone what is under way, and knows what an answer shows only once it is there.
 * After a write of this tab's own, everything of `all` tags that was being read counts as written.
 */
export function keepCurrent<Tag>(
  { util, endpoints }: Reads<Tag>,
  all: readonly NoInfer<Tag>[],
): Middleware {
  /** How many writes are known of, and which was the last of each tag and the last of this tab. */
  let writes = 0
  let own = 0
  const lastOf = new Map<string, { tag: Tag; write: number }>()
  const begunAfter = new Map<string, number>()

  return ({ dispatch, getState }) => {
    function isOutdated({ queryCacheKey }: Asked, begun: number): boolean {
      const since = [...lastOf.values()].filter(({ write }) => write > begun)
      const tags = own > begun ? all : since.map(({ tag }) => tag)
      const shown = util.selectInvalidatedBy(getState() as never, tags)
      return shown.some((one) => one.queryCacheKey === queryCacheKey)
    }

    return (next) => (action) => {
      // Before what reads again for its sake begins.
      if (util.invalidateTags.match(action)) {
        writes += 1
        for (const tag of action.payload) lastOf.set(JSON.stringify(tag), { tag, write: writes })
      } else if (isFulfilled(action) && askedBy(action).type === 'mutation') {
        writes += 1
        own = writes
      }
      const done = next(action)
      if (isPending(action)) begunAfter.set(action.meta.requestId, writes)
      if (!isFulfilled(action) && !isRejected(action)) return done
      const asked = askedBy(action)
      const begun = begunAfter.get(action.meta.requestId) ?? writes
      begunAfter.delete(action.meta.requestId)
      if (isFulfilled(action) && asked.type !== 'mutation' && isOutdated(asked, begun)) {
        const { initiate } = endpoints[asked.endpointName as never] as { initiate: Initiate }
        dispatch(initiate(asked.originalArgs, { subscribe: false, forceRefetch: true }))
      }
      return done
    }
  }
}

const askedBy = ({ meta }: { meta: { arg: unknown } }) => meta.arg as Asked
