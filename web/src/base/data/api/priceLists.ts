import type { NewPriceList, PriceList, PriceListPiece } from '@tembrix/core/things/records'
import { api } from './api'

export const priceListsApi = api.injectEndpoints({
  endpoints: (build) => ({
    priceLists: build.query<PriceList[], void>({
      query: () => '/price-lists',
      providesTags: ['priceLists'],
    }),
    beginPriceList: build.mutation<PriceList, NewPriceList>({
      query: (body) => ({ url: '/price-lists', method: 'POST', body }),
    }),
    takeInPiece: build.mutation<PriceList, PriceListPiece & { id: string }>({
      query: ({ id, ...body }) => ({ url: `/price-lists/${id}/offers`, method: 'POST', body }),
    }),
    endPriceList: build.mutation<PriceList, string>({
      query: (id) => ({ url: `/price-lists/${id}/end`, method: 'POST', body: {} }),
    }),
  }),
})

export const { usePriceListsQuery } = priceListsApi
