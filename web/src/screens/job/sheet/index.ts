export { JobPaper } from './JobPaper'
export { JobSheet } from './JobSheet'
export { PlanSheet } from './PlanSheet'
export { PrintLink } from './PrintLink'
