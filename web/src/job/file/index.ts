export { JobProvider, type JobView, type Situation, useJob } from './JobContext'
export type { Edit } from './useEdit'
export { type RecordForm, useRecordForm, withValue } from './useRecordForm'
