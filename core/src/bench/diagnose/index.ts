export {
  comesAndGoes,
  type Meaning,
  meanings,
  type Proposal,
  proposals,
  TRIAL_WORTH,
  type Why,
} from './choose'
export { type Control, controlsMissing, isIn, passesNeeded } from './control'
export {
  type DiagnoseRequest,
  type Diagnosis,
  type DiagnosisState,
  diagnose,
  judged,
  LACKS,
  type Lack,
  lacksOf,
  searchOf,
  startOf,
} from './diagnose'
export { doubtfulOf } from './doubt'
export { memoryErrors, type NewErrors, newErrors } from './errorsLogged'
export { caseAgainst, type FaultEvidence, isUnseen, type Made, passedOnlyCold } from './evidence'
export { expectationOf } from './expectation'
export {
  clocksExpected,
  type Difference,
  type DifferenceCause,
  type DifferenceCode,
  differences,
  type NextStep,
  type ShownFigures,
} from './expected'
export {
  always,
  CauseTable,
  type Fault,
  type FaultCause,
  LATER,
  MANNERS,
  SHOWS,
  type Shows,
  STARTING_CAUSES,
  suspectOf,
  USUAL_CAUSES,
  WAYS,
  type Way,
} from './fault'
export { isWarmNow } from './handlings'
export { AFTER_FITTING, type Complaint, faultsOf, HARDLY } from './hypotheses'
export {
  type Named,
  observed,
  SLIPS,
  type Suspicion,
  suspect,
  suspects,
} from './inference'
export { DiagnoseShape } from './request'
export { TIMES } from './rivals'
export { type ReadOut, seenIn } from './seenIn'
export { type SoFar, soFar } from './soFar'
export {
  ACCEPTABLE,
  type Acceptable,
  hoursOf,
  type Missing,
  type ProofStanding,
  standing,
  testsThatCount,
} from './standing'
export {
  ACTIONS,
  type Action,
  type Arrangement,
  effectOf,
  inOrder,
  isWarm,
  keyOfOutcome,
  minutesOfTrial,
  outcomeOf,
  outcomeOfKey,
  TRIAL_MINUTES,
  type Trial,
  type TrialBench,
  type TrialOutcome,
  touches,
} from './trial'
export {
  CLEAN,
  type CureStep,
  type EndOfTrials,
  type FaultSearch,
  SURE,
  type Unseen,
  verdict,
} from './verdict'
