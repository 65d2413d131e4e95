export { computing } from './computing'
export type { ScaledPicture } from './pictures'
export { inPool } from './pool'
