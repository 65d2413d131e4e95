export type { Column } from './column'
export { DataTable } from './DataTable'
