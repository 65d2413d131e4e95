export { Verify } from './Verify'
export { ALONG_WORDS, MISSING_WORDS } from './words'
