export { JobProvider, type JobView, type Situation, useJob } from './JobContext'
export type { Edit } from './useEdit'
export { readingOf } from './useEvidence'
export { useJobForm } from './useJobForm'
