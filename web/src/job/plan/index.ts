export { Plan } from './Plan'
export { PlanTray } from './PlanTray'
