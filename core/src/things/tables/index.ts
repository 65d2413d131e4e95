export {
  type Columns,
  type ColumnWords,
  columnMapping,
  guessColumns,
  type RowFault,
  readRows,
} from './columns'
export { commaReadings, joinedCells } from './decimalCommas'
export { type Heading, headingOf } from './heading'
export { columnNumbers, numberIn, parseTable, type Table } from './parse'
export { writeCsv } from './write'
