export { Faults } from './Faults'
export { type RecordForm, useRecordForm, withValue } from './useRecordForm'
export { type SaveForm, useSaveForm } from './useSaveForm'
