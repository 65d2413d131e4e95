export { suggestedCredit } from './credit'
export { LABOUR_CODES, type LabourCode, type LabourPart, labourOf, minutesOf } from './labour'
export { type Priced, type PricedInput, priced } from './price'
