export { shownWords, soakHours, soakWords } from './words'
