export { useFrameLog } from './useFrameLog'
