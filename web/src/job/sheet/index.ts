export { PlanSheet } from './PlanSheet'
