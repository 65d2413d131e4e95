export { type Hidden, hide, tryOut } from './hidden'
export { type Observation, shows } from './machine'
export { bandwidthRuns, frameTimes, latencyRuns } from './measure'
export { normal, random } from './random'
