export { answerCreated, idOf, versionOf } from './answer'
export {
  customerKind,
  framesKind,
  jobKind,
  type KindOf,
  kindOf,
  listKind,
  machineKind,
  measurementKind,
  modelKind,
  moduleKind,
  photoKind,
  planKind,
  priceListKind,
  quoteKind,
  readingKind,
  shopKind,
  verificationKind,
} from './kinds'
export {
  type Created,
  change,
  create,
  find,
  historyOf,
  type Kind,
  listed,
  type Row,
  remove,
  type StoredTable,
} from './store'
export { listenForChanges } from './written'
