export {
  api,
  useCreateJobMutation,
  useCustomersQuery,
  useHistoryQuery,
  useJobQuery,
  useJobsQuery,
  useShopModulesQuery,
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
export { overlay } from './overlay'
export { insist, openStore, type Store, useAppDispatch, useAppSelector } from './store'
export { done, redone, type Step, undone } from './undo'
