export {
  type Demand,
  demand,
  logsTogether,
  measuredUses,
  pagingShareOf,
  type UseLog,
} from './demand'
export { guessLogColumns } from './guessLog'
export * from './judged'
export {
  CARD,
  type CardUse,
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
