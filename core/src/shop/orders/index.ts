export { arrivals, pieceOf } from './arrive'
export { cameFor } from './came'
export { type Covered, type NeededParts, neededParts } from './needed'
export {
  isHere,
  type JobUnit,
  type PartPlace,
  type PlannedPart,
  plannedParts,
  slotsWithWhatIsHere,
  type ToPlace,
  unitName,
  unitOfName,
} from './parts'
export { PurchaseOrder, purchaseOrder, purchaseSheet } from './purchaseOrder'
export { type OrderRefusal, orderRefusal } from './refusal'
export { creditExpected, type Returnable, returnable, returnRefusal } from './returns'
export {
  isOpen,
  type LineStanding,
  lineStanding,
  nextDue,
  ORDER_STATES,
  type OrderState,
  orderState,
  orderSums,
  piecesOf,
} from './state'
export { confirmedTimes, type OrderedUnit, orderedUnits, unitsOf } from './units'
