export { importPrices, PRICE_WORDS, type PriceTerms } from './import'
