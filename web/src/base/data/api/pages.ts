import {
  type BaseQueryFn,
  type FetchArgs,
  type FetchBaseQueryError,
  type FetchBaseQueryMeta,
  fetchBaseQuery,
} from '@reduxjs/toolkit/query/react'
import { API } from './address'
import { withWho } from './who'

/** Some rows of a list, and where it goes on. */
export interface LoadedPage<T> {
  rows: T[]
  next: string | null
}

type Query = BaseQueryFn<
  string | FetchArgs,
  unknown,
  FetchBaseQueryError,
  { page?: boolean },
  FetchBaseQueryMeta
>

const ask = fetchBaseQuery({ baseUrl: API, prepareHeaders: withWho })

/** Asks the server. A list that comes in pages is read to its end, unless only a `page` of it is wanted. */
export const asking: Query = async (args, queryApi, options) => {
  const first = await ask(args, queryApi, options)
  if (options?.page || first.error || !Array.isArray(first.data)) return first
  const rows = [...first.data]
  let next = nextOf(first.meta)
  while (next !== null) {
    const more = await ask(next, queryApi, options)
    if (more.error) return more
    rows.push(...(more.data as unknown[]))
    next = nextOf(more.meta)
  }
  return { ...first, data: rows }
}

/** The address under the API of the page that follows, from the answer's `Link` (RFC 8288). */
export function nextOf(meta: FetchBaseQueryMeta | undefined): string | null {
  const link = meta?.response?.headers.get('link') ?? ''
  const [, address = null] = /<([^>]*)>; rel="next"/.exec(link) ?? []
  return address?.slice(API.length) ?? null
}

/** An endpoint's answer as a page. */
export const asPage = <T>(rows: T[], meta: FetchBaseQueryMeta | undefined): LoadedPage<T> => ({
  rows,
  next: nextOf(meta),
})

/** How an endlessly long list is read, page by page. */
export const byPages = {
  initialPageParam: null as string | null,
  getNextPageParam: ({ next }: LoadedPage<unknown>) => next ?? undefined,
}

/** The rows of the pages read by now. */
export const loadedRows = <T>(data: { pages: LoadedPage<T>[] } | undefined): T[] | undefined =>
  data?.pages.flatMap(({ rows }) => rows)
