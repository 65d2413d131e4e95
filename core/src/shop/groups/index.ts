export { followed } from './follow'
export { groupedLines } from './groupedLines'
