export { MachineModel } from './MachineModel'
export { Machines } from './Machines'
