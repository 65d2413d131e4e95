export {
  type CounterFacts,
  type CounterStanding,
  counterStanding,
  DAY_GROUPS,
  type DayGroup,
  dayGroup,
  inOrderOfWork,
  type Supply,
} from './counter'
export { phoneForms } from './phone'
export { atBench, type PlannedDay, plannedWeek } from './week'
