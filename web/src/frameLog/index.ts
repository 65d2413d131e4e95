export { type Analysed, type Column, MOST_RUNS, type Overview } from './messages'
export { type FrameLog, useFrameLog } from './useFrameLog'
