export { Tune } from './Tune'
export { TuneSheet } from './TuneSheet'
