export { importValidated, VALIDATED_WORDS } from './import'
export { indexed, lookUp, type Standing, type ValidatedIndex } from './lookUp'
