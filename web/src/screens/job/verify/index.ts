export { Verify } from './Verify'
export { ALONG_WORDS, CHANGE_WORDS, MISSING_WORDS } from './words'
