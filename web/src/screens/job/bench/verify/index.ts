export { Verify } from './Verify'
export { MISSING_WORDS } from './words'
