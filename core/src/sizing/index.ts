export { type Demand, demand, measuredUses, pagingShareOf } from './demand'
export { guessLogColumns } from './guessLog'
export * from './judged'
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
export { buildableTotals, MODULE_SIZES, slotSizes, type Total } from './totals'
export * from './uses'
