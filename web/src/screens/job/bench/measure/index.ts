export { Measured } from './Measured'
export { ALONG_WORDS } from './words'
