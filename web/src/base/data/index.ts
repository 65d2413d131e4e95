export * from './api'
export { type BuyingMachine, compared } from './buying'
export {
  blockedBy,
  changed,
  created,
  drafted,
  dropped,
  type Entry,
  type Fields,
  type HeldReason,
  insisted,
  keyOf,
  type Link,
  linkOf,
  released,
  yielded,
} from './outbox'
export { overlay, overlayModels, recordIn } from './overlay'
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
export { ALONG, type Change, recordUndo, redone, undone } from './undo'
export { opened, tried, triedAgain, triedBefore, type WhatIf } from './whatIf'
export { openWithoutServer } from './withoutServer'
export { asIn, changing, expecting, inverse, making, removing, type Write } from './writes'
