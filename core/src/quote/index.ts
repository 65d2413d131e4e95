export { suggestedCredit } from './credit'
export { type LabourPart, labourOf, minutesOf } from './labour'
export { type Priced, type PricedInput, priced } from './price'
export { PriceShape } from './request'
