export {
  type Claimable,
  chaseFrom,
  claimable,
  isOpenClaim,
  isOurs,
  type StoodBy,
  standsBy,
} from './claim'
export { isClosed, isTakenOnceClosed } from './closed'
export { type EarlierVisit, type StoodBySince, stoodBySince } from './earlier'
export {
  type HandoverFacts,
  handoverFacts,
  type Stated,
  type Steadiness,
  type ToReport,
} from './facts'
export { type Against, type Gained, gainsOf } from './gained'
export { type NextUpgrade, nextUpgrades } from './nextSteps'
export { type ModuleNames, type OnRecord, onRecord } from './onRecord'
export {
  type Looked,
  type OpenPoint,
  openPointsOf,
  type ToHandOver,
  withoutReason,
} from './openPoints'
export {
  type FittedPart,
  partsFitted,
  partsRemoved,
  type RemovedPart,
  type ReplacedPart,
} from './parts'
export { agreedOption, paidIn, unpaid } from './payment'
export { endingRefusal, type HandoverRefusal, handoverRefusal, reopens } from './refusal'
export { newVisit } from './visit'
export { type FittedEver, fittedEver, openAfter, type Visit, type VisitQuote } from './visits'
export { toChase, type WaitingFor } from './waiting'
export { daysAfter, monthsAfter, monthsFor, termFrom } from './warranty'
export { figuresGone, filledIn, partOf, type Report } from './wording'
