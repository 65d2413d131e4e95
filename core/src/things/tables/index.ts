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
export {
  type ColumnStyle,
  columnNumbers,
  columnStyle,
  type NumbersWritten,
  numberIn,
  numberOf,
  numberWritten,
} from './numbers'
export { parseTable, type Table, tableOfRows } from './parse'
export { writeCsv } from './write'
