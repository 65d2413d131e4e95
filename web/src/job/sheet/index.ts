export { JobSheet } from './JobSheet'
export { PlanSheet } from './PlanSheet'
