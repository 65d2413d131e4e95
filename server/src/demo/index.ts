export { seed } from './seed'
