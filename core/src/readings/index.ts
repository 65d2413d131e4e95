export type { Identity } from './contents'
export { writeDdr3 } from './contentsDdr3'
export { writeDdr4 } from './contentsDdr4'
export { writeDdr5 } from './contentsDdr5'
export { isMadeDensity } from './density'
export { isSoldered } from './device'
export * from './facts'
export { slotName } from './locator'
export { type RateNames, type RateReading, rateNames, readRateName } from './rateNames'
export { read } from './read'
export {
  FORMATS,
  type Format,
  factsOf,
  type MachineReading,
  type ModuleReading,
  machineFactsOf,
  type Observed,
  type Reading,
  type SlotName,
} from './reading'
export { textOfBytes } from './text'
export { type Reported, writeCimCsv } from './writeCim'
export { writeSmbios } from './writeSmbios'
