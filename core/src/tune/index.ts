export {
  type Change,
  type ChangeName,
  type Ladder,
  type LadderCase,
  ladder,
  NOT_WORTH,
  type Rung,
  type Stage,
} from './ladder'
export {
  proposed,
  type SpeedPoint,
  settingsAt,
  speedPicture,
  type TuneRefusal,
  tuneRefusal,
} from './speeds'
export { Tried, TUNE_OUTCOMES, type TuneSettings } from './tried'
