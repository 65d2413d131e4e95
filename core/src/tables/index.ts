export { numberIn, parseTable, type Table } from './parse'
