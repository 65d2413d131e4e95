export { type Filling, filled, leftOpen } from './fill'
export { reasonFor } from './suggest'
