export { Reach } from './Reach'
export { useCode } from './useCode'
