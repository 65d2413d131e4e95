export type { BenchMachine, MachineShown, MachineStart } from './benchMachine'
export { type Hidden, hide, tryOut } from './hidden'
export { benchMachine } from './machine'
export { bandwidthRuns, frameTimes, latencyRuns } from './measure'
export type { SimulatedMachine } from './simulated'
export {
  asFound,
  fittedOut,
  hiddenIn,
  IN_STORE,
  type InStore,
  type StandIn,
  standIn,
  TRAITS,
  type Trait,
  usuallyFound,
} from './standIn'
