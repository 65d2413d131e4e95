export { PartsAbsent } from './PartsAbsent'
export { absentWords } from './words'
