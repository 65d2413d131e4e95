export { HistoryLines } from './HistoryLines'
