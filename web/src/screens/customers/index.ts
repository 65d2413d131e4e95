export { CustomerScreen } from './CustomerScreen'
export { MachineScreen } from './MachineScreen'
