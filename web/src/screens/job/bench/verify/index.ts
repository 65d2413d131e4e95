export { VerifyScreen } from './VerifyScreen'
export { MISSING_WORDS } from './words'
