export { API } from './address'
export {
  api,
  TAGS,
  type Tag,
  useJobQuery,
  useJobsInfiniteQuery,
  useModelsQuery,
  useOpenJobsQuery,
  useShopQuery,
} from './api'
export {
  useBackupContentsQuery,
  useBackupsQuery,
  useHealthQuery,
  useImportBackupMutation,
  useMakeBackupMutation,
  useRestoreBackupMutation,
} from './backups'
export {
  useCustomerMachinesQuery,
  useCustomerQuery,
  useCustomersQuery,
  useErasePersonMutation,
} from './customers'
export {
  jobsApi,
  useAddLikeMutation,
  useCreateJobMutation,
  useCustomerJobsQuery,
  useHistoryQuery,
  useImportJobMutation,
  useKeepPasswordMutation,
  useLazyPasswordQuery,
  useLearnedQuery,
  useLikeMachinesQuery,
  useMoveJobMutation,
  useSingleOutMutation,
} from './jobs'
export {
  useCreateModelMutation,
  useCreateValidatedListMutation,
  useModelHistoryQuery,
  useRemoveModelMutation,
  useRemoveValidatedListMutation,
  useValidatedListQuery,
  useValidatedListsQuery,
} from './machines'
export {
  modulesApi,
  type OfKind,
  useActMutation,
  useChangeModuleMutation,
  useCreateModuleMutation,
  useOffersInfiniteQuery,
  useOffersOfKindQuery,
  useRemoveModuleMutation,
  useShelfQuery,
} from './modules'
export {
  type OrderJob,
  useChangeOrderMutation,
  useCreateOrderMutation,
  useLazyDeliveriesQuery,
  useNeededLinesQuery,
  useOrderJobsQuery,
  useOrderQuery,
  useOrdersInfiniteQuery,
  useRemoveOrderMutation,
  useSendOrderMutation,
} from './orders'
export { rowsOf } from './pages'
export { priceListsApi, usePriceListsQuery } from './priceLists'
export { useChangeShopMutation, useShopHistoryQuery } from './shop'
export {
  useAskSupplierMutation,
  useLazySearchSupplierQuery,
  useSetSupplierBehaviourMutation,
  useSupplierBehaviourQuery,
  useSupplierQuery,
} from './supplier'
export { WHO_KEY, withWho } from './who'
