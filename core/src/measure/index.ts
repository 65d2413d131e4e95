export { CHANGES, type Change, changesBetween } from './changed'
export {
  BANDWIDTHS,
  type Bandwidth,
  type ChannelChance,
  type ChannelInference,
  inferChannels,
} from './channels'
export {
  guessFrameColumn,
  type LogHead,
  logHead,
  type ReadColumn,
  readColumn,
  scaleOf,
  type TimeUnit,
} from './column'
export {
  type Comparison,
  compareFailures,
  compareRuns,
  type FailureComparison,
  FEWEST_RUNS,
  type RunVerdict,
  type Summary,
} from './compare'
export { type FrameFigures, frameFigures } from './frames'
export { type Grid, type GridEffects, gridEffects } from './grid'
