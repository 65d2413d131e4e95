export { type Filled, type Filling, filled, leftOpen } from './fill'
