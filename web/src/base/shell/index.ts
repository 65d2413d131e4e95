export { Bar } from './Bar'
export { forgetFailed, screen, screensOf, screensToCome, useUnderWay } from './screens'
export { useTechnician } from './technician'
export { applyTheme } from './theme'
