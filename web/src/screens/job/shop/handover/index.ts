export { HandOverScreen } from './HandOverScreen'
export { ReportSheet } from './ReportSheet'
