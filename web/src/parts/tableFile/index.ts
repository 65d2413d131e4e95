export { CommaQuestion } from './CommaQuestion'
export { ImportTable, type RowsRead } from './ImportTable'
export { MORE_COLUMNS, type OpenedTable, TableFile } from './TableFile'
