export { Simulated } from './Simulated'
export { SimulatedFound } from './SimulatedFound'
export { SimulatedStart } from './SimulatedStart'
export { startWords, useSimulated } from './useSimulated'
