export { isOnBoard } from './Approve'
export { Quote } from './Quote'
export { QuoteSheet } from './QuoteSheet'
