export { ACTS } from './words'
