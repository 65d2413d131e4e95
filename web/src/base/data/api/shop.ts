import type { HistoryLine, Shop } from '@tembrix/core/things/records'
import { api } from './api'

const shopApi = api.injectEndpoints({
  endpoints: (build) => ({
    shopHistory: build.query<HistoryLine[], void>({
      query: () => '/shop/history',
      keepUnusedDataFor: 0,
      providesTags: ['shop'],
    }),
    changeShop: build.mutation<Shop, Pick<Shop, 'version'> & Partial<Shop>>({
      query: (body) => ({ url: '/shop', method: 'PATCH', body }),
      invalidatesTags: ['shop'],
    }),
  }),
})

export const { useChangeShopMutation, useShopHistoryQuery } = shopApi
