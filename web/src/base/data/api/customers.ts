import type { Customer, MachineRecord } from '@tembrix/core/things/records'
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
  useCustomerMachinesQuery,
  useCustomerQuery,
  useCustomersQuery,
  useErasePersonMutation,
} = customersApi
