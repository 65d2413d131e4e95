export {
  areAllListed,
  indexed,
  type ListStanding,
  lookUp,
  testedWith,
  type ValidatedIndex,
} from './lookUp'
export {
  type ColumnsWritten,
  importPrices,
  numbersWritten,
  PRICE_WORDS,
  type PriceTerms,
} from './prices'
export { pricesMeantBy } from './pricesMeant'
export { importValidated, VALIDATED_WORDS } from './validated'
