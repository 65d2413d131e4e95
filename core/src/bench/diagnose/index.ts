export {
  type Meaning,
  meanings,
  type Proposal,
  proposals,
  SURE,
  verdict,
} from './choose'
export { type Control, controlsMissing, passesSaved } from './control'
export {
  after,
  type DiagnoseRequest,
  type Diagnosis,
  diagnose,
  LACKS,
  type Lack,
  lacksOf,
  startOf,
} from './diagnose'
export { doubtfulOf } from './doubt'
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
  SHOWS,
  type Shows,
  STARTING_CAUSES,
  suspectOf,
  USUAL_CAUSES,
  type Way,
} from './fault'
export { faultsOf } from './hypotheses'
export {
  type Named,
  observed,
  type Suspicion,
  suspect,
  suspects,
} from './inference'
export { DiagnoseShape } from './request'
export { type ReadOut, seenIn } from './seenIn'
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
  keyOfOutcome,
  minutesApart,
  minutesOfTrial,
  outcomeOf,
  outcomeOfKey,
  type Trial,
  type TrialBench,
  type TrialOutcome,
  touches,
} from './trial'
