import { createApi, fetchBaseQuery } from '@reduxjs/toolkit/query/react'
import type {
  Customer,
  HistoryLine,
  Job,
  JobFile,
  JobLine,
  ModuleRecord,
  NewJob,
} from '@tembrix/core/records'

export const API = '/api/v1'

export const api = createApi({
  baseQuery: fetchBaseQuery({ baseUrl: API }),
  keepUnusedDataFor: 600,
  tagTypes: ['jobs', 'customers'],
  endpoints: (build) => ({
    jobs: build.query<JobLine[], { search: string; stage: string }>({
      query: ({ search, stage }) => ({
        url: '/jobs',
        params: { ...(search ? { search } : {}), ...(stage ? { stage } : {}) },
      }),
      providesTags: ['jobs'],
    }),
    job: build.query<JobFile, string>({ query: (id) => `/jobs/${id}` }),
    history: build.query<HistoryLine[], string>({
      query: (id) => `/jobs/${id}/history`,
      keepUnusedDataFor: 0,
    }),
    shopModules: build.query<ModuleRecord[], void>({ query: () => '/modules?shop=1' }),
    customers: build.query<Customer[], void>({
      query: () => '/customers',
      providesTags: ['customers'],
    }),
    createJob: build.mutation<Job, NewJob>({
      query: (body) => ({ url: '/jobs', method: 'POST', body }),
      invalidatesTags: ['jobs', 'customers'],
    }),
  }),
})

export const {
  useJobsQuery,
  useJobQuery,
  useHistoryQuery,
  useShopModulesQuery,
  useCustomersQuery,
  useCreateJobMutation,
} = api
