export { promise } from './promise'
