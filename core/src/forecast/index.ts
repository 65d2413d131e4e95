export {
  type Case,
  type Forecast,
  forecast,
  type MemoryState,
  type Need,
  type Paging,
  TERMS,
  type Term,
  type TermName,
} from './forecast'
export { type Share, WORK_PROFILES, type WorkProfile } from './profiles'
