export { computing } from './computing'
export type { Picture } from './pictures'
export { inPool } from './pool'
