export { CHANNEL_NAMES, REASON_NAMES, stateWords } from './words'
