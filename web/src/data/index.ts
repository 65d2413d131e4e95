export {
  API,
  api,
  type OfKind,
  useAddPhotoMutation,
  useAskSupplierMutation,
  useChangeModuleMutation,
  useChangeShopMutation,
  useCreateJobMutation,
  useCreateModelMutation,
  useCreateModuleMutation,
  useCreateValidatedListMutation,
  useCustomersQuery,
  useHistoryQuery,
  useJobQuery,
  useJobsQuery,
  useLazySearchSupplierQuery,
  useModelHistoryQuery,
  useModelsQuery,
  usePriceListsQuery,
  useRemoveModelMutation,
  useRemoveModuleMutation,
  useRemoveValidatedListMutation,
  useSetSupplierMoodMutation,
  useShopModulesQuery,
  useShopQuery,
  useSupplierMoodQuery,
  useTakeInPriceListMutation,
  useValidatedListQuery,
  useValidatedListsQuery,
} from './api'
export {
  type Collection,
  changed,
  created,
  drafted,
  dropped,
  type Entry,
  type Fields,
  keyOf,
  type Link,
  linkOf,
  removed,
} from './outbox'
export { overlay, overlayModels } from './overlay'
export { simulatedKept, simulatedPutAway } from './simulated'
export { insist, openStore, type State, type Store, useAppDispatch, useAppSelector } from './store'
export { done, redone, type Step, undone } from './undo'
export { opened, tried, triedAgain, triedBefore, type WhatIf } from './whatIf'
