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
export { type Case, caseAgainst, isUnseen, type Made, passedOnlyCold } from './evidence'
export { expectationOf } from './expectation'
export {
  type Cause,
  clocksExpected,
  type Difference,
  type DifferenceCode,
  differences,
  type NextStep,
  type Seen,
} from './expected'
export {
  always,
  type Cause as FaultCause,
  CauseTable,
  type Fault,
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
  type Standing,
  standing,
  testsThatCount,
} from './standing'
export {
  ACTIONS,
  type Action,
  type Arrangement,
  type Bench,
  effectOf,
  inOrder,
  keyOfOutcome,
  minutesApart,
  minutesOfTrial,
  type Outcome,
  outcomeOf,
  outcomeOfKey,
  type Trial,
  touches,
} from './trial'
