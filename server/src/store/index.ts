export { answerCreated, answerPage, idOf, versionOf } from './answer'
export { gathered, type Wanted } from './gather'
export {
  claimKind,
  customerKind,
  fitKind,
  framesKind,
  handoverKind,
  jobKind,
  type KindOf,
  kindOf,
  listKind,
  machineKind,
  measurementKind,
  modelKind,
  moduleKind,
  orderKind,
  photoKind,
  planKind,
  priceListKind,
  quoteKind,
  readingKind,
  shopKind,
  verificationKind,
} from './kinds'
export {
  afterCursor,
  cutPage,
  type Order,
  ordering,
  type Page,
  Paging,
  whole,
} from './pages'
export {
  type Created,
  change,
  create,
  find,
  historyPage,
  type Kind,
  listed,
  ofRecord,
  pageOf,
  type Row,
  remove,
  type StoredTable,
} from './store'
export { listenForChanges, tellOf } from './written'
