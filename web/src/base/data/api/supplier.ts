import type { SupplierAnswer, SupplierBehaviour, SupplierQuery } from '@tembrix/core/things/records'
import { api } from './api'

const supplierApi = api.injectEndpoints({
  endpoints: (build) => ({
    searchSupplier: build.query<SupplierAnswer, SupplierQuery>({
      query: (params) => ({ url: '/supplier/search', params }),
      keepUnusedDataFor: 60,
    }),
    askSupplier: build.mutation<{ asked: number; sold: number }, string[]>({
      query: (ids) => ({ url: '/supplier/ask', method: 'POST', body: { ids } }),
      invalidatesTags: ['shopModules'],
    }),
    /** The supplier whom this program asks itself. */
    supplier: build.query<{ name: string }, void>({ query: () => '/supplier' }),
    supplierBehaviour: build.query<{ behaviour: SupplierBehaviour; supplier: string }, void>({
      query: () => '/supplier/behaviour',
      providesTags: ['behaviour'],
    }),
    setSupplierBehaviour: build.mutation<unknown, SupplierBehaviour>({
      query: (behaviour) => ({ url: '/supplier/behaviour', method: 'PUT', body: { behaviour } }),
      invalidatesTags: ['behaviour'],
    }),
  }),
})

export const {
  useAskSupplierMutation,
  useLazySearchSupplierQuery,
  useSetSupplierBehaviourMutation,
  useSupplierBehaviourQuery,
  useSupplierQuery,
} = supplierApi
