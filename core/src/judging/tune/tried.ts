export { Tried, TUNE_OUTCOMES, type TuneSettings } from '../../things/model'
