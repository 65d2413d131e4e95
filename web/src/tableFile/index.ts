export { ImportTable } from './ImportTable'
export { type OpenedTable, TableFile } from './TableFile'
