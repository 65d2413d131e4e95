export { type Demand, demand } from './demand'
export { guessLogColumns } from './guessLog'
export {
  CUT_OFF,
  LOG_UNITS,
  type LogColumns,
  type LogSummary,
  type LogUnit,
  type MemoryLog,
  type MemorySample,
  readMemoryLog,
  summarise,
} from './memoryLog'
export * from './spend'
export { buildableTotals, MODULE_SIZES, slotSizes, type Total } from './totals'
export * from './uses'
