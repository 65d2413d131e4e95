export { Plan } from './Plan'
export { PlanTray } from './PlanTray'
export { percent } from './words'
