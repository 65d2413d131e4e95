import { createApi } from '@reduxjs/toolkit/query/react'
import type { JobFile, JobLine, ModelRecord, Shop } from '@tembrix/core/things/records'
import { asking, asPage, byPages, type LoadedPage } from './pages'

/** What an answer shows, so that it is read again as that is written. */
export const TAGS = [
  'job',
  'jobs',
  'customers',
  'models',
  'waiting',
  'orders',
  'lists',
  'shop',
  'shopModules',
  'priceLists',
  'behaviour',
  'backups',
] as const
export type Tag = (typeof TAGS)[number]

/** What is asked of the server: here what the first screen and the store need, in the files beside it the rest. */
export const api = createApi({
  baseQuery: asking,
  keepUnusedDataFor: 600,
  // At once, whatever else is being read; `keepCurrent` sees to what is being read itself.
  invalidationBehavior: 'immediately',
  tagTypes: TAGS,
  endpoints: (build) => ({
    jobs: build.infiniteQuery<
      LoadedPage<JobLine>,
      { search: string; stage: string; today?: string },
      string | null
    >({
      infiniteQueryOptions: byPages,
      extraOptions: { page: true },
      query: ({ queryArg: { search, stage, today }, pageParam }) =>
        pageParam ?? {
          url: '/jobs',
          params: {
            ...(search ? { search } : {}),
            ...(stage ? { stage } : {}),
            ...(today ? { today } : {}),
          },
        },
      transformResponse: asPage<JobLine>,
      providesTags: ['jobs'],
    }),
    meant: build.query<string | null, string>({
      query: (search) => ({ url: '/jobs/meant', params: { search } }),
      transformResponse: ({ meant }: { meant: string | null }) => meant,
      providesTags: ['jobs'],
    }),
    openJobs: build.query<JobLine[], string>({
      query: (today) => ({ url: '/jobs/open', params: { today } }),
      providesTags: ['jobs'],
    }),
    job: build.query<JobFile, string>({
      query: (id) => `/jobs/${id}`,
      providesTags: (_job, _error, id) => [{ type: 'job', id }],
    }),
    shop: build.query<Shop, void>({ query: () => '/shop', providesTags: ['shop'] }),
    models: build.query<ModelRecord[], void>({
      query: () => '/models',
      providesTags: ['models'],
    }),
  }),
})

export const {
  useJobQuery,
  useJobsInfiniteQuery,
  useMeantQuery,
  useModelsQuery,
  useOpenJobsQuery,
  useShopQuery,
} = api
