export { Size } from './Size'
