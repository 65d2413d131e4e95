export {
  areAllListed,
  indexed,
  type ListStanding,
  lookUp,
  testedWith,
  type ValidatedIndex,
} from './lookUp'
export { importPrices, PRICE_WORDS, type PriceTerms } from './prices'
export { importValidated, VALIDATED_WORDS } from './validated'
