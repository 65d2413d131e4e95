export { Bar } from './Bar'
export { forgetFailed, readScreens, screen, screensOf, useUnderWay } from './screens'
export { useTechnician } from './technician'
export { applyTheme } from './theme'
