export { API } from './address'
export {
  api,
  type OfKind,
  type OrderJob,
  useActMutation,
  useAddLikeMutation,
  useAskSupplierMutation,
  useBackupContentsQuery,
  useBackupsQuery,
  useChangeModuleMutation,
  useChangeOrderMutation,
  useChangeShopMutation,
  useCreateJobMutation,
  useCreateModelMutation,
  useCreateModuleMutation,
  useCreateOrderMutation,
  useCreateValidatedListMutation,
  useCustomerJobsQuery,
  useCustomerMachinesQuery,
  useCustomerQuery,
  useCustomersQuery,
  useErasePersonMutation,
  useHealthQuery,
  useHistoryQuery,
  useImportBackupMutation,
  useImportJobMutation,
  useJobQuery,
  useJobsInfiniteQuery,
  useKeepPasswordMutation,
  useLazyDeliveriesQuery,
  useLazyPasswordQuery,
  useLazySearchSupplierQuery,
  useLearnedQuery,
  useLikeMachinesQuery,
  useMakeBackupMutation,
  useModelHistoryQuery,
  useModelsQuery,
  useMoveJobMutation,
  useNeededLinesQuery,
  useOffersInfiniteQuery,
  useOffersOfKindQuery,
  useOpenJobsQuery,
  useOrderJobsQuery,
  useOrderQuery,
  useOrdersInfiniteQuery,
  usePriceListsQuery,
  useRemoveModelMutation,
  useRemoveModuleMutation,
  useRemoveOrderMutation,
  useRemoveValidatedListMutation,
  useRestoreBackupMutation,
  useSendOrderMutation,
  useSetSupplierBehaviourMutation,
  useShelfQuery,
  useShopHistoryQuery,
  useShopQuery,
  useSingleOutMutation,
  useSupplierBehaviourQuery,
  useSupplierQuery,
  useValidatedListQuery,
  useValidatedListsQuery,
} from './api'
export {
  behind,
  changed,
  created,
  drafted,
  dropped,
  type Entry,
  type Fields,
  type Held,
  insisted,
  keyOf,
  type Link,
  linkOf,
  released,
  yielded,
} from './outbox'
export { overlay, overlayModels, recordIn } from './overlay'
export { rowsOf } from './pages'
export { heldPicture, holdPicture } from './pictures'
export { type PriceListProgress, takeInPriceList } from './priceLists'
export { put } from './put'
export { saidOf } from './said'
export { simulatedKept, simulatedPutAway } from './simulated'
export {
  openStore,
  type State,
  type Store,
  useAppDispatch,
  useAppSelector,
  useAppStore,
} from './store'
export { ALONG, type Change, done, redone, undone } from './undo'
export { opened, tried, triedAgain, triedBefore, type WhatIf } from './whatIf'
export { WHO_KEY } from './who'
export { openWithoutServer } from './withoutServer'
export { asIn, changing, expecting, inverse, making, removing, type Write } from './writes'
