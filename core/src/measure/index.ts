export { BANDWIDTHS, type Bandwidth } from './bandwidths'
export { CHANGES, type Change, changesBetween } from './changed'
export {
  type ChannelChance,
  type ChannelInference,
  type ChannelsTold,
  channelsTold,
  inferChannels,
} from './channels'
export {
  type ColumnReader,
  columnReader,
  guessFrameColumn,
  type LogHead,
  logHead,
  type ReadColumn,
  readColumn,
  TIME_UNITS,
  type TimeUnit,
} from './column'
export {
  type Comparison,
  compareFailures,
  compareRuns,
  type FailureComparison,
  FEWEST_RUNS,
  geometricMean,
  type RunVerdict,
  type Summary,
} from './compare'
export { CONFIGURATIONS, type Configuration } from './configurations'
export {
  type AnalysedFrames,
  analyseFrames,
  FRAME_EDGES,
  FRAME_STRETCHES,
  type FrameFigures,
} from './frames'
export { type Effect, type Grid, type GridEffects, gridEffects } from './grid'
export {
  FRAME_RATES,
  type FrameRate,
  type KeptFrames,
  type KeptRuns,
  type Logged,
  loggedOf,
  rowsOf,
  type Side,
  type Tested,
  testedOf,
} from './tested'
