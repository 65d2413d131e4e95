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
      // The next change is made against the answer, even where it comes before the shop was read again.
      onQueryStarted: async (_, { dispatch, queryFulfilled }) => {
        try {
          const { data } = await queryFulfilled
          await dispatch(api.util.upsertQueryData('shop', undefined, data))
        } catch {
          // The mutation itself says that it was refused.
        }
      },
      invalidatesTags: ['shop'],
    }),
  }),
})

export const { useChangeShopMutation, useShopHistoryQuery } = shopApi
