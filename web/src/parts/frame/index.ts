export { Frame } from './Frame'
