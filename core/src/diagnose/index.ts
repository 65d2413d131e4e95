export {
  type Meaning,
  meanings,
  type Proposal,
  proposals,
  SURE,
  trialsFrom,
  verdict,
} from './choose'
export { type Case, caseAgainst, type Made } from './evidence'
export {
  type Cause,
  clocksExpected,
  type Difference,
  type DifferenceCode,
  differences,
  type NextStep,
  type Seen,
} from './expected'
export { CauseTable, type Fault, partOf, STARTING_CAUSES, USUAL_CAUSES, type Way } from './fault'
export { type Named, observed, type Suspicion, suspect, suspects } from './inference'
export { type ReadOut, seenIn } from './seenIn'
export { hoursOf, type Missing, type Standing, standing } from './standing'
export {
  type Arrangement,
  type Bench,
  effectOf,
  inOrder,
  keyOfOutcome,
  minutesOfTrial,
  type Outcome,
  outcomeOf,
  outcomeOfKey,
  type Trial,
} from './trial'
