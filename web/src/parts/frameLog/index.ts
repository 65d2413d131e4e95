export type { Analysed, FrameColumn, Overview } from './messages'
export { type OpenedFrameLog, useFrameLog } from './useFrameLog'
