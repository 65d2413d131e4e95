export { SimulatedFound } from './SimulatedFound'
export { SimulatedMachinePanel } from './SimulatedMachinePanel'
export { SimulatedStart } from './SimulatedStart'
export { startWords, useSimulated } from './useSimulated'
