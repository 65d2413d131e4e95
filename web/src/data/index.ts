export {
  API,
  api,
  useAddPhotoMutation,
  useChangeShopMutation,
  useCreateJobMutation,
  useCreateModelMutation,
  useCreateValidatedListMutation,
  useCustomersQuery,
  useHistoryQuery,
  useJobQuery,
  useJobsQuery,
  useModelHistoryQuery,
  useModelsQuery,
  useRemoveModelMutation,
  useRemoveValidatedListMutation,
  useShopModulesQuery,
  useShopQuery,
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
export { insist, openStore, type Store, useAppDispatch, useAppSelector } from './store'
export { done, redone, type Step, undone } from './undo'
