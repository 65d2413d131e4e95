import type { Visit, WaitingFor } from '@tembrix/core/shop/handover'
import type { Customer, MachineRecord, Message, WarrantyClaim } from '@tembrix/core/things/records'
import { api } from './api'

const customersApi = api.injectEndpoints({
  endpoints: (build) => ({
    /** A few customers of whom a search says something. */
    customers: build.query<Customer[], string>({
      query: (search) => ({ url: '/customers', params: { search, limit: 4 } }),
      extraOptions: { page: true },
      providesTags: ['customers'],
    }),
    customer: build.query<Customer, string>({
      query: (id) => `/customers/${id}`,
      providesTags: ['customers'],
    }),
    customerMachines: build.query<MachineRecord[], string>({
      query: (customerId) => ({ url: '/machines', params: { customerId } }),
      providesTags: ['jobs'],
    }),
    machineRecord: build.query<MachineRecord, string>({
      query: (id) => `/machines/${id}`,
      providesTags: ['jobs'],
    }),
    /** Visits of a customer or a machine, each with what it left on record. */
    visits: build.query<Visit[], { of: 'customers' | 'machines'; id: string; today: string }>({
      query: ({ of, id, today }) => ({ url: `/${of}/${id}/visits`, params: { today } }),
      providesTags: ['jobs', 'waiting'],
    }),
    /** Claims nobody has answered, and messages that did not arrive. */
    waiting: build.query<WaitingFor, void>({
      query: () => '/waiting',
      providesTags: ['waiting', 'jobs'],
    }),
    /** Tells that the customer was reached otherwise than by a message that did not arrive. */
    reached: build.mutation<Message, Pick<Message, 'id' | 'version'>>({
      query: ({ id, version }) => ({
        url: `/messages/${id}`,
        method: 'PATCH',
        body: { version, reached: true },
      }),
      invalidatesTags: ['waiting', 'job'],
    }),
    /** Sets when a claim is asked after again. */
    chaseAgain: build.mutation<WarrantyClaim, Pick<WarrantyClaim, 'id' | 'version' | 'chaseOn'>>({
      query: ({ id, ...body }) => ({ url: `/claims/${id}`, method: 'PATCH', body }),
      invalidatesTags: ['waiting', 'job'],
    }),
    /** Takes out of every record what names a customer. */
    erasePerson: build.mutation<void, Pick<Customer, 'id' | 'version'>>({
      query: ({ id, version }) => ({
        url: `/customers/${id}/person?version=${version}`,
        method: 'DELETE',
      }),
      invalidatesTags: ['job', 'jobs', 'customers'],
    }),
  }),
})

export const {
  useChaseAgainMutation,
  useCustomerMachinesQuery,
  useCustomerQuery,
  useCustomersQuery,
  useErasePersonMutation,
  useMachineRecordQuery,
  useReachedMutation,
  useVisitsQuery,
  useWaitingQuery,
} = customersApi
