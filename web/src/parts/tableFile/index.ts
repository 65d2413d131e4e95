export { CommaQuestion } from './CommaQuestion'
export { ImportTable } from './ImportTable'
export { MORE_COLUMNS, type OpenedTable, TableFile } from './TableFile'
