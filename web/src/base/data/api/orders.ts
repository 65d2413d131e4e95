import type { Returnable } from '@tembrix/core/shop/orders'
import type {
  DeliveryNote,
  JobLine,
  NeededLine,
  NewOrder,
  NewReturn,
  Order,
  OrderPatch,
  OrderRow,
  ReturnPatch,
  SupplierReturn,
} from '@tembrix/core/things/records'
import { api } from './api'
import { asPage, byPages, type LoadedPage } from './pages'

/** A job that an order is for, as far as whoever unpacks it asks. */
export type OrderJob = Pick<JobLine, 'id' | 'number' | 'customerName' | 'phone'>

const ordersApi = api.injectEndpoints({
  endpoints: (build) => ({
    /** What approved jobs need of suppliers and nobody has ordered. */
    neededLines: build.query<NeededLine[], void>({
      query: () => '/orders/needed',
      providesTags: ['orders', 'jobs'],
    }),
    /** The list of orders; only those still open where it says so. */
    orders: build.infiniteQuery<
      LoadedPage<OrderRow>,
      { open: boolean; today: string },
      string | null
    >({
      infiniteQueryOptions: byPages,
      extraOptions: { page: true },
      query: ({ queryArg: { open, today }, pageParam }) =>
        pageParam ?? { url: '/orders', params: { rows: 1, today, ...(open ? { open: 1 } : {}) } },
      transformResponse: asPage<OrderRow>,
      providesTags: ['orders'],
    }),
    order: build.query<Order, string>({
      query: (id) => `/orders/${id}`,
      providesTags: ['orders'],
    }),
    /** The jobs that wait for what is in an order. */
    orderJobs: build.query<OrderJob[], string>({
      query: (id) => `/orders/${id}/jobs`,
      providesTags: ['orders', 'jobs'],
    }),
    /** What the supplier says it has put on its way. */
    deliveries: build.query<DeliveryNote[], string>({
      query: (id) => `/orders/${id}/deliveries`,
      keepUnusedDataFor: 0,
    }),
    /** Parts that a supplier may take back. */
    returnable: build.query<Returnable[], void>({
      query: () => '/orders/returnable',
      providesTags: ['orders', 'shopModules'],
    }),
    returns: build.query<SupplierReturn[], void>({
      query: () => '/returns',
      providesTags: ['orders'],
    }),
    supplierReturn: build.query<SupplierReturn, string>({
      query: (id) => `/returns/${id}`,
      providesTags: ['orders'],
    }),
    createReturn: build.mutation<SupplierReturn, NewReturn>({
      query: (body) => ({ url: '/returns', method: 'POST', body }),
      invalidatesTags: ['orders'],
    }),
    changeReturn: build.mutation<SupplierReturn, ReturnPatch & { id: string }>({
      query: ({ id, ...body }) => ({ url: `/returns/${id}`, method: 'PATCH', body }),
      invalidatesTags: ['orders', 'shopModules'],
    }),
    createOrder: build.mutation<Order, NewOrder>({
      query: (body) => ({ url: '/orders', method: 'POST', body }),
      invalidatesTags: ['orders', 'jobs'],
    }),
    changeOrder: build.mutation<Order, OrderPatch & { id: string }>({
      query: ({ id, ...body }) => ({ url: `/orders/${id}`, method: 'PATCH', body }),
      invalidatesTags: ['orders', 'jobs', 'shopModules'],
    }),
    sendOrder: build.mutation<Order, Pick<Order, 'id' | 'version'>>({
      query: ({ id, version }) => ({
        url: `/orders/${id}/send`,
        method: 'POST',
        body: { version },
      }),
      invalidatesTags: ['orders', 'jobs'],
    }),
    removeOrder: build.mutation<void, Pick<Order, 'id' | 'version'>>({
      query: ({ id, version }) => ({ url: `/orders/${id}?version=${version}`, method: 'DELETE' }),
      invalidatesTags: ['orders', 'jobs'],
    }),
  }),
})

export const {
  useChangeOrderMutation,
  useChangeReturnMutation,
  useCreateOrderMutation,
  useCreateReturnMutation,
  useLazyDeliveriesQuery,
  useNeededLinesQuery,
  useOrderJobsQuery,
  useOrderQuery,
  useOrdersInfiniteQuery,
  useRemoveOrderMutation,
  useReturnableQuery,
  useReturnsQuery,
  useSendOrderMutation,
  useSupplierReturnQuery,
} = ordersApi
