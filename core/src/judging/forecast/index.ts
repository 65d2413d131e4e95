export {
  BUSY,
  DISKS_PAGED,
  LATENCY,
  ORGANISATION,
  PAGING,
  type PagedTo,
  SLOWEST_FRAMES,
} from './assumed'
export {
  type Expected,
  FORECAST_WORDS,
  type Forecast,
  type ForecastRequest,
  type ForecastUse,
  type ForecastWord,
  forecast,
  forecastOf,
  isSteadier,
  type MemoryNeed,
  type UseForecast,
} from './forecast'
export { LEARNING, learnedFromResults, type ShopResult, sortedOut } from './learned'
export type { MemoryState } from './memoryState'
export { ForecastShape, MemoryStateShape, NeedRange } from './request'
export { SPREADS } from './spread'
export {
  profileOf,
  type ShareRange,
  WORK_PROFILES,
  WORKS,
  type Work,
  type WorkProfile,
} from './works'
