export { MeasuredGains } from './MeasuredGains'
export { ALONG_WORDS } from './words'
