export { guessColumns, type Imported, type ImportFault, importValidated } from './import'
export { indexed, lookUp, type Standing, type ValidatedIndex } from './lookUp'
