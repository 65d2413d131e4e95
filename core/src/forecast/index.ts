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
export { forecastMix, likelyGain, type MixForecast, type WorkShare } from './mix'
export { type Share, WORK_PROFILES, WORKS, type Work, type WorkProfile } from './profiles'
