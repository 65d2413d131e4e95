export { Counter } from './Counter'
