export { type RecordForm, useRecordForm, withValue } from './useRecordForm'
