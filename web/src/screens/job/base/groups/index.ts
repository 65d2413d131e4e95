export { Following } from './Following'
export { LikeMachines } from './LikeMachines'
export { MachineSwitch } from './MachineSwitch'
