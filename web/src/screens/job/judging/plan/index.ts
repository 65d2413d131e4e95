export { FreeFirst } from './FreeFirst'
export { Plan } from './Plan'
export { PlanTray } from './PlanTray'
export { eitherWords, gainInWords, percent } from './words'
