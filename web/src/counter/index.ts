export { Counter } from './Counter'
export { NewJob } from './NewJob'
export { STAGE_NAMES } from './stages'
