export { JobProvider, type JobView, type Situation, useJob } from './JobContext'
export type { Edit } from './useEdit'
export { inputOf, readingOf } from './useEvidence'
export { useJobForm } from './useJobForm'
