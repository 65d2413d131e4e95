export { type Analysed, type Column, MOST_RUNS } from './messages'
export { type FrameLog, useFrameLog } from './useFrameLog'
