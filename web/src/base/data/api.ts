import { createApi } from '@reduxjs/toolkit/query/react'
import type { Learned } from '@tembrix/core/job'
import type { FormFactor, Generation } from '@tembrix/core/model'
import type {
  ActWrite,
  Backup,
  BackupContents,
  Customer,
  DeliveryNote,
  HistoryLine,
  Job,
  JobFile,
  JobLine,
  LikeMachine,
  LikeMachines,
  MachineRecord,
  ModelRecord,
  ModuleChange,
  ModuleRecord,
  NeededLine,
  NewJob,
  NewModelRecord,
  NewModuleRecord,
  NewOrder,
  NewPriceList,
  NewValidatedList,
  Order,
  OrderPatch,
  OrderRow,
  PriceList,
  PriceListPiece,
  Shop,
  ShopModule,
  SupplierAnswer,
  SupplierBehaviour,
  SupplierQuery,
  ValidatedList,
  ValidatedListLine,
} from '@tembrix/core/records'
import { asking, asPage, byPages, type Page } from './pages'

/** Modules of one generation and form. */
export interface OfKind {
  generation: Generation
  formFactor: FormFactor
}

/** A job that an order is for, as far as whoever unpacks it asks. */
export type OrderJob = Pick<JobLine, 'id' | 'number' | 'customerName' | 'phone'>

/** What an answer shows, so that it is read again as that is written. */
export const TAGS = [
  'job',
  'jobs',
  'customers',
  'models',
  'orders',
  'lists',
  'shop',
  'shopModules',
  'priceLists',
  'behaviour',
  'backups',
] as const
export type Tag = (typeof TAGS)[number]

/** The most rows of a page. */
const MOST = 1000

export const api = createApi({
  baseQuery: asking,
  keepUnusedDataFor: 600,
  // At once, whatever else is being read; `keepCurrent` sees to what is being read itself.
  invalidationBehavior: 'immediately',
  tagTypes: TAGS,
  endpoints: (build) => ({
    jobs: build.infiniteQuery<
      Page<JobLine>,
      { search: string; stage: string; today?: string },
      string | null
    >({
      infiniteQueryOptions: byPages,
      extraOptions: { page: true },
      query: ({ queryArg: { search, stage, today }, pageParam }) =>
        pageParam ?? {
          url: '/jobs',
          params: {
            ...(search ? { search } : {}),
            ...(stage ? { stage } : {}),
            ...(today ? { today } : {}),
          },
        },
      transformResponse: asPage<JobLine>,
      providesTags: ['jobs'],
    }),
    customerJobs: build.query<JobLine[], string>({
      query: (customerId) => ({ url: '/jobs', params: { customerId } }),
      providesTags: ['jobs'],
    }),
    customerMachines: build.query<MachineRecord[], string>({
      query: (customerId) => ({ url: '/machines', params: { customerId } }),
      providesTags: ['jobs'],
    }),
    importJob: build.mutation<{ id: string; number: number; numberBefore: number }, File>({
      query: (file) => ({
        url: '/job-files',
        method: 'POST',
        body: file,
        headers: { 'content-type': 'application/zip' },
      }),
      invalidatesTags: ['jobs', 'customers', 'models'],
    }),
    openJobs: build.query<JobLine[], string>({
      query: (today) => ({ url: '/jobs/open', params: { today } }),
      providesTags: ['jobs'],
    }),
    job: build.query<JobFile, string>({
      query: (id) => `/jobs/${id}`,
      providesTags: (_job, _error, id) => [{ type: 'job', id }],
    }),
    /** A job's machine and those like it. */
    likeMachines: build.query<LikeMachine[], string>({
      query: (id) => `/jobs/${id}/like`,
      providesTags: ['jobs'],
    }),
    addLike: build.mutation<{ id: string; number: number }[], LikeMachines & { jobId: string }>({
      query: ({ jobId, machines }) => ({
        url: `/jobs/${jobId}/like`,
        method: 'POST',
        body: { machines },
      }),
      invalidatesTags: (_made, _error, { jobId }) => ['jobs', { type: 'job', id: jobId }],
    }),
    singleOut: build.mutation<Job, Pick<Job, 'id' | 'version'>>({
      query: ({ id, version }) => ({
        url: `/jobs/${id}/single-out`,
        method: 'POST',
        body: { version },
      }),
      invalidatesTags: ['jobs', 'job', 'orders'],
    }),
    /** Takes out of every record what names a customer. */
    erasePerson: build.mutation<void, Pick<Customer, 'id' | 'version'>>({
      query: ({ id, version }) => ({
        url: `/customers/${id}/person?version=${version}`,
        method: 'DELETE',
      }),
      invalidatesTags: ['job', 'jobs', 'customers'],
    }),
    /** Sets when a job that is not open here is due, on the version it has now. */
    moveJob: build.mutation<Job, { id: string; dueOn: string }>({
      queryFn: async ({ id, dueOn }, _api, _options, ask) => {
        const read = await ask(`/jobs/${id}`)
        if (read.error) return { error: read.error }
        const { version } = read.data as Job
        const body = { version, dueOn }
        const done = await ask({ url: `/jobs/${id}`, method: 'PATCH', body })
        return done.error ? { error: done.error } : { data: done.data as Job }
      },
      invalidatesTags: (_done, _error, { id }) => ['jobs', { type: 'job', id }],
    }),
    /** The password kept for a job; asking is noted in its history. */
    password: build.query<{ password: string | null }, string>({
      query: (id) => `/jobs/${id}/password`,
      keepUnusedDataFor: 0,
    }),
    keepPassword: build.mutation<void, { jobId: string; password: string }>({
      query: ({ jobId, password }) => ({
        url: `/jobs/${jobId}/password`,
        method: 'PUT',
        body: { password },
      }),
      invalidatesTags: (_done, _error, { jobId }) => [{ type: 'job', id: jobId }],
    }),
    history: build.query<HistoryLine[], string>({
      query: (id) => `/jobs/${id}/history`,
      keepUnusedDataFor: 0,
    }),
    /** The pieces of the shelf, of one kind where it is named, and whatever the plans of `forJob` hold. */
    shelf: build.query<ShopModule[], Partial<OfKind & { forJob: string }>>({
      query: (wanted) => ({
        url: '/modules',
        params: { shop: 1, source: 'shelf', limit: MOST, ...wanted },
      }),
      providesTags: ['shopModules'],
    }),
    /** All that suppliers sell of a kind. */
    offersOfKind: build.query<ShopModule[], OfKind>({
      query: (kind) => ({
        url: '/modules',
        params: { shop: 1, source: 'supplier', limit: MOST, ...kind },
      }),
      providesTags: ['shopModules'],
    }),
    /** What suppliers sell, found by words. */
    offers: build.infiniteQuery<Page<ShopModule>, string, string | null>({
      infiniteQueryOptions: byPages,
      extraOptions: { page: true },
      query: ({ queryArg: search, pageParam }) =>
        pageParam ?? { url: '/modules', params: { shop: 1, source: 'supplier', search } },
      transformResponse: asPage<ShopModule>,
      providesTags: ['shopModules'],
    }),
    /** Several writes to the shop's own records, all of them or none. */
    act: build.mutation<unknown, ActWrite[]>({
      query: (writes) => ({
        url: '/acts',
        method: 'POST',
        body: { id: crypto.randomUUID(), writes },
      }),
      invalidatesTags: ['shopModules'],
    }),
    createModule: build.mutation<ModuleRecord, NewModuleRecord>({
      query: (body) => ({ url: '/modules', method: 'POST', body }),
      invalidatesTags: ['shopModules'],
    }),
    changeModule: build.mutation<ModuleRecord, Pick<ModuleRecord, 'id' | 'version'> & ModuleChange>(
      {
        query: ({ id, ...body }) => ({ url: `/modules/${id}`, method: 'PATCH', body }),
        invalidatesTags: ['shopModules'],
      },
    ),
    removeModule: build.mutation<void, Pick<ModuleRecord, 'id' | 'version'>>({
      query: ({ id, version }) => ({ url: `/modules/${id}?version=${version}`, method: 'DELETE' }),
      invalidatesTags: ['shopModules'],
    }),
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
    /** What approved jobs need of suppliers and nobody has ordered. */
    neededLines: build.query<NeededLine[], void>({
      query: () => '/orders/needed',
      providesTags: ['orders', 'jobs'],
    }),
    /** The list of orders; only those still open where it says so. */
    orders: build.infiniteQuery<Page<OrderRow>, { open: boolean; today: string }, string | null>({
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
    backups: build.query<Backup[], void>({ query: () => '/backups', providesTags: ['backups'] }),
    makeBackup: build.mutation<Backup, void>({
      query: () => ({ url: '/backups', method: 'POST' }),
      invalidatesTags: ['backups'],
    }),
    importBackup: build.mutation<Backup, File>({
      query: (body) => ({ url: '/backups/import', method: 'POST', body }),
      invalidatesTags: ['backups'],
    }),
    backupContents: build.query<BackupContents, string>({
      query: (name) => `/backups/${name}/contents`,
      keepUnusedDataFor: 0,
    }),
    /** The server is away for a moment then; `started` is when it was started before. */
    restoreBackup: build.mutation<BackupContents & { started: string }, string>({
      query: (name) => ({ url: `/backups/${name}/restore`, method: 'POST' }),
    }),
    health: build.query<{ started: string }, void>({ query: () => '/health' }),
    learned: build.query<Learned, void>({ query: () => '/learned' }),
    shop: build.query<Shop, void>({ query: () => '/shop', providesTags: ['shop'] }),
    shopHistory: build.query<HistoryLine[], void>({
      query: () => '/shop/history',
      keepUnusedDataFor: 0,
      providesTags: ['shop'],
    }),
    changeShop: build.mutation<Shop, Pick<Shop, 'version'> & Partial<Shop>>({
      query: (body) => ({ url: '/shop', method: 'PATCH', body }),
      invalidatesTags: ['shop'],
    }),
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
    /** `isNew` is false where the job was stored before, and is answered as it stands. */
    createJob: build.mutation<{ job: Job; isNew: boolean }, NewJob>({
      query: (body) => ({ url: '/jobs', method: 'POST', body }),
      transformResponse: (job: Job, meta) => ({ job, isNew: meta?.response?.status === 201 }),
      invalidatesTags: ['jobs', 'customers'],
    }),
  }),
})

export const {
  useActMutation,
  useImportJobMutation,
  useChangeOrderMutation,
  useCreateOrderMutation,
  useCustomerJobsQuery,
  useLazyDeliveriesQuery,
  useNeededLinesQuery,
  useOrderJobsQuery,
  useOrderQuery,
  useOrdersInfiniteQuery,
  useRemoveOrderMutation,
  useSendOrderMutation,
  useCustomerMachinesQuery,
  useBackupsQuery,
  useMakeBackupMutation,
  useImportBackupMutation,
  useBackupContentsQuery,
  useRestoreBackupMutation,
  useAddLikeMutation,
  useErasePersonMutation,
  useLikeMachinesQuery,
  useSingleOutMutation,
  useHealthQuery,
  useKeepPasswordMutation,
  useLazyPasswordQuery,
  useJobsInfiniteQuery,
  useOpenJobsQuery,
  useJobQuery,
  useHistoryQuery,
  useShelfQuery,
  useOffersOfKindQuery,
  useOffersInfiniteQuery,
  useCreateModuleMutation,
  useChangeModuleMutation,
  useRemoveModuleMutation,
  useLazySearchSupplierQuery,
  useAskSupplierMutation,
  useSupplierBehaviourQuery,
  useSupplierQuery,
  useSetSupplierBehaviourMutation,
  usePriceListsQuery,
  useLearnedQuery,
  useShopHistoryQuery,
  useShopQuery,
  useChangeShopMutation,
  useCustomersQuery,
  useCustomerQuery,
  useCreateJobMutation,
  useModelsQuery,
  useMoveJobMutation,
  useModelHistoryQuery,
  useCreateModelMutation,
  useRemoveModelMutation,
  useValidatedListsQuery,
  useValidatedListQuery,
  useCreateValidatedListMutation,
  useRemoveValidatedListMutation,
} = api
