export { followed } from './follow'
export { together } from './together'
