import type {
  HistoryLine,
  ModelRecord,
  NewModelRecord,
  NewValidatedList,
  ValidatedList,
  ValidatedListLine,
} from '@tembrix/core/things/records'
import { api } from './api'

const machinesApi = api.injectEndpoints({
  endpoints: (build) => ({
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
  }),
})

export const {
  useCreateModelMutation,
  useCreateValidatedListMutation,
  useModelHistoryQuery,
  useRemoveModelMutation,
  useRemoveValidatedListMutation,
  useValidatedListQuery,
  useValidatedListsQuery,
} = machinesApi
