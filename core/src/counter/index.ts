export {
  type CounterFacts,
  type CounterStanding,
  counterStanding,
  DAY_GROUPS,
  type DayGroup,
  dayGroup,
  inOrderOfWork,
} from './counter'
export { phoneForms } from './phone'
