import { createApi, fetchBaseQuery } from '@reduxjs/toolkit/query/react'
import type {
  Customer,
  HistoryLine,
  Job,
  JobFile,
  JobLine,
  ModelRecord,
  ModuleRecord,
  NewJob,
  NewModelRecord,
  NewValidatedList,
  Photo,
  Shop,
  ValidatedList,
  ValidatedListLine,
} from '@tembrix/core/records'

export const API = '/api/v1'

export const api = createApi({
  baseQuery: fetchBaseQuery({ baseUrl: API }),
  keepUnusedDataFor: 600,
  tagTypes: ['jobs', 'customers', 'models', 'lists', 'shop'],
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
    shop: build.query<Shop, void>({ query: () => '/shop', providesTags: ['shop'] }),
    changeShop: build.mutation<Shop, Pick<Shop, 'version'> & Partial<Shop>>({
      query: (body) => ({ url: '/shop', method: 'PATCH', body }),
      invalidatesTags: ['shop'],
    }),
    customers: build.query<Customer[], void>({
      query: () => '/customers',
      providesTags: ['customers'],
    }),
    models: build.query<ModelRecord[], void>({
      query: () => '/models',
      providesTags: ['models'],
    }),
    modelHistory: build.query<HistoryLine[], string>({
      query: (id) => `/models/${id}/history`,
      keepUnusedDataFor: 0,
    }),
    createModel: build.mutation<ModelRecord, NewModelRecord>({
      query: (body) => ({ url: '/models', method: 'POST', body }),
      invalidatesTags: ['models'],
    }),
    removeModel: build.mutation<void, ModelRecord>({
      query: ({ id, version }) => ({ url: `/models/${id}?version=${version}`, method: 'DELETE' }),
      invalidatesTags: ['models', 'lists'],
    }),
    validatedLists: build.query<ValidatedListLine[], void>({
      query: () => '/validated-lists',
      providesTags: ['lists'],
    }),
    validatedList: build.query<ValidatedList, string>({
      query: (id) => `/validated-lists/${id}`,
    }),
    createValidatedList: build.mutation<ValidatedList, NewValidatedList>({
      query: (body) => ({ url: '/validated-lists', method: 'POST', body }),
      invalidatesTags: ['lists'],
    }),
    removeValidatedList: build.mutation<void, ValidatedListLine>({
      query: ({ id, version }) => ({
        url: `/validated-lists/${id}?version=${version}`,
        method: 'DELETE',
      }),
      invalidatesTags: ['lists'],
    }),
    addPhoto: build.mutation<Photo, { jobId: string; id: string; caption: string; file: File }>({
      query: ({ jobId, id, caption, file }) => ({
        url: '/photos',
        params: { jobId, id, caption },
        method: 'POST',
        headers: { 'content-type': file.type },
        body: file,
      }),
      async onQueryStarted({ jobId }, { dispatch, queryFulfilled }) {
        const { data } = await queryFulfilled
        dispatch(api.util.updateQueryData('job', jobId, (job) => void job.photos.push(data)))
      },
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
  useShopQuery,
  useChangeShopMutation,
  useCustomersQuery,
  useCreateJobMutation,
  useModelsQuery,
  useModelHistoryQuery,
  useCreateModelMutation,
  useRemoveModelMutation,
  useValidatedListsQuery,
  useValidatedListQuery,
  useCreateValidatedListMutation,
  useRemoveValidatedListMutation,
  useAddPhotoMutation,
} = api
