export { boardFirst } from './board'
export {
  areMovesDone,
  benchSteps,
  firmwareReasons,
  fittingInput,
  opennessOf,
  profileVolts,
  roundOf,
  startOfRound,
  startsNow,
  type ToFit,
  trainedBy,
} from './fitting'
export { type Identified, identify } from './identify'
export { INTERLEAVE_SHOWN, type InterleaveShown, interleaveShown } from './interleave'
export { freePlan, layoutCase, settingsFound, type ToAdvise } from './layout'
export { type Learned, learnedFrom, NOTHING_KNOWN, type Taught } from './learned'
export { machineInUse } from './machineInUse'
export { meanwhile } from './meanwhile'
export {
  type Added,
  type Hindrance,
  type Lead,
  type OfferedOption,
  type OfferFacts,
  type OfferInput,
  offerOf,
  type TakenOut,
  type ToOffer,
} from './offer'
export { evidenceOf, type PlacedRead, placeRead, type ToWeigh } from './placeRead'
export { type PlanSupply, planSupply, staying } from './planSupply'
export { type Promised, promisedOf } from './promised'
export {
  arrangementOf,
  assignmentOf,
  ceilingsShown,
  channelsMeasured,
  differencesFound,
  errorsFound,
  errorsSince,
  faultSearch,
  knownGood,
  openedBy,
  planKey,
  rateSeen,
  soakOf,
  standingOf,
  type ToProve,
  testableGiB,
  trialsMade,
} from './proof'
export { type Situation, situationOf } from './situation'
