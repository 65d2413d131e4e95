export { FreeFirst } from './FreeFirst'
export { PlanScreen } from './PlanScreen'
export { PlanTray } from './PlanTray'
export { eitherWords, gainInWords, sharePercent } from './words'
