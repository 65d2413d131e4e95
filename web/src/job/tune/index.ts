export { Tune } from './Tune'
