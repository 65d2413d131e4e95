export { QuoteScreen } from './QuoteScreen'
export { QuoteSheet } from './QuoteSheet'
