export type { BenchMachine, Observation, Start } from './benchMachine'
export { type Hidden, hide, tryOut } from './hidden'
export { benchMachine, type Simulated } from './machine'
export { bandwidthRuns, frameTimes, latencyRuns } from './measure'
