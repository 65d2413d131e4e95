export { HandOver } from './HandOver'
export { ReportSheet } from './ReportSheet'
