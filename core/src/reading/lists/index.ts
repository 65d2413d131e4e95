export {
  areAllListed,
  indexed,
  type ListStanding,
  lookUp,
  testedWith,
  type ValidatedIndex,
} from './lookUp'
export {
  importPrices,
  PRICE_WORDS,
  type PricesWritten,
  type PriceTerms,
  pricesWritten,
} from './prices'
export { importValidated, VALIDATED_WORDS } from './validated'
