export { Quote } from './Quote'
export { QuoteSheet } from './QuoteSheet'
