export { HistoryLines } from './HistoryLines'
export type { NameOf } from './values'
