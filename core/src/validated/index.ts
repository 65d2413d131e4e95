export { importValidated, VALIDATED_WORDS } from './import'
export {
  areAllListed,
  indexed,
  lookUp,
  type Standing,
  testedWith,
  type ValidatedIndex,
} from './lookUp'
