export {
  type ColumnHeadings,
  type ColumnWords,
  columnMapping,
  guessColumns,
  type RowFault,
  readRows,
} from './columns'
export { commaReadings, joinedCells } from './decimalCommas'
export { headingOf, type TableHeading } from './heading'
export { columnNumbers, numberIn, parseTable, type Table } from './parse'
export { writeCsv } from './write'
