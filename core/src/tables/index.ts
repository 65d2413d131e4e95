export { columnNumbers, numberIn, parseTable, type Table } from './parse'
