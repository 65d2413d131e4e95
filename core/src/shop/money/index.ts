export { budgetFor, leftForParts } from './budget'
export { suggestedCredit } from './credit'
export { type Priced, type PricedInput, priced } from './price'
export { PriceShape } from './request'
