export { CausesDialog } from './CausesDialog'
export { TermsDialog } from './TermsDialog'
export { UseTableDialog } from './UseTableDialog'
export { useSeesCosts } from './useSeesCosts'
