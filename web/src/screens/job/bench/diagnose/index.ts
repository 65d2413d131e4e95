export { FaultFinder } from './FaultFinder'
