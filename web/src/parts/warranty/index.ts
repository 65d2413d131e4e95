export { standsWords } from './words'
