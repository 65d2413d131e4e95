export { BANDWIDTHS, type Bandwidth } from './bandwidths'
export { BUSY_SPREAD, looksBusy } from './busy'
export { changesBetween, MEMORY_CHANGES, type MemoryChange } from './changed'
export { type Ceilings, type MeasuredChannels, measuredChannels, middleOf } from './channels'
export {
  type ColumnReader,
  columnReader,
  firstRows,
  guessFrameColumn,
  type LogHead,
  logHead,
  type ReadColumn,
  readColumn,
  TIME_UNITS,
  type TimeUnit,
} from './column'
export {
  COMPARE_NOTES,
  type CompareNote,
  type CompareRequest,
  type Comparison,
  compare,
  compareFailures,
  type FailureComparison,
  FEWEST_RUNS,
  LEVEL,
  type RunVerdict,
  type Summary,
  WORTHWHILE,
} from './compare'
export {
  differing,
  SURROUNDINGS,
  type Surrounding,
  TEST_CONDITIONS,
  type TestCondition,
  type TestConditions,
} from './conditions'
export { CONFIGURATIONS, type Configuration } from './configurations'
export {
  type AnalysedFrames,
  analyseFrames,
  FRAME_EDGES,
  FRAME_STRETCHES,
  type FrameFigures,
  overviewOf,
  type Trim,
  tooShortFor,
  trimmed,
} from './frames'
export { type ChangeEffect, type Grid, type GridEffects, gridEffects } from './grid'
export { type LearnedScatter, learnedScatter, type Repeated } from './learnedScatter'
export { type Overall, overall, type WorkShare } from './overall'
export { CompareShape } from './request'
export { type Scatter, USUAL_SCATTER } from './scatter'
export { median, type Session } from './session'
export { NOTHING_LEARNED, type ShopScatter, scatterFrom, shopScatter } from './shop'
export {
  type Calls,
  type Configured,
  callsOf,
  FRAME_RATES,
  type FrameRate,
  type KeptFrames,
  type KeptRuns,
  type Logged,
  type LoggedRate,
  loggedOf,
  runRows,
  type ScatterOf,
  type SessionOf,
  type Tested,
  testedOf,
} from './tested'
export { type TypedFault, type TypedRuns, typedRuns } from './typed'
