export { UndoButtons } from './UndoButtons'
export { type Undoing, useUndoOf } from './useUndoOf'
