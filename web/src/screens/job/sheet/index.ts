export { JobSheet } from './JobSheet'
export { PlanSheet } from './PlanSheet'
export { PrintLink } from './PrintLink'
export { SheetHead } from './SheetHead'
