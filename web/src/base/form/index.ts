export { Faults } from './Faults'
export { SaveForShop } from './SaveForShop'
export { type RecordForm, useRecordForm } from './useRecordForm'
export { type SaveForm, useSaveForm } from './useSaveForm'
