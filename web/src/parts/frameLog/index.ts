export type { Analysed, Column, Overview } from './messages'
export { type FrameLog, useFrameLog } from './useFrameLog'
