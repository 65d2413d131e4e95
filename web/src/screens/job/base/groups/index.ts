export { Following } from './Following'
export { MachineGroupPanel } from './MachineGroupPanel'
export { MachineSwitch } from './MachineSwitch'
