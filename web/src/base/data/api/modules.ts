import type { FormFactor, Generation } from '@tembrix/core/things/model'
import type {
  ActWrite,
  ModuleChange,
  ModuleRecord,
  NewModuleRecord,
  ShopModule,
} from '@tembrix/core/things/records'
import { api } from './api'
import { asPage, byPages, type LoadedPage } from './pages'

/** Modules of one generation and form. */
export interface OfKind {
  generation: Generation
  formFactor: FormFactor
}

/** The most rows of a page. */
const MOST = 1000

export const modulesApi = api.injectEndpoints({
  endpoints: (build) => ({
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
    offers: build.infiniteQuery<LoadedPage<ShopModule>, string, string | null>({
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
  }),
})

export const {
  useActMutation,
  useChangeModuleMutation,
  useCreateModuleMutation,
  useOffersInfiniteQuery,
  useOffersOfKindQuery,
  useRemoveModuleMutation,
  useShelfQuery,
} = modulesApi
