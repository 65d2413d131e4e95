export { type OpenedTable, TableFile } from './TableFile'
