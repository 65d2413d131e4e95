export { answerCreated, idOf, versionOf } from './answer'
export {
  customerKind,
  fitKind,
  jobKind,
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
export { type Created, change, create, find, historyOf, remove } from './store'
