export { Counter } from './Counter'
export { STAGE_NAMES } from './stages'
