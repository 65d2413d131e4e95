export { EndButton, EndCommand } from './EndButton'
export { HandOverScreen } from './HandOverScreen'
export { ReportSheet } from './ReportSheet'
