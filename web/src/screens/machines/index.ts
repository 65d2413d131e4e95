export { MachineModelScreen } from './MachineModelScreen'
export { MachinesScreen } from './MachinesScreen'
