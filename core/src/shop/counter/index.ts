export {
  type CounterFacts,
  type CounterStanding,
  canBeWorkedOn,
  counterFacts,
  counterStanding,
  DAY_GROUPS,
  type DayGroup,
  dayGroup,
  inOrderOfWork,
  isSized,
  isTold,
  type PartsProgress,
} from './counter'
export { folded, isOneSlip, matcherOf, searchWords, spellings } from './folded'
export { phoneForms } from './phone'
export { atBench, type PlannedDay, plannedWeek } from './week'
