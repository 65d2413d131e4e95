export {
  isCutShort,
  type Ladder,
  type LadderCase,
  type LadderStage,
  ladder,
  NOT_WORTH,
  type Rung,
  type SettingChange,
  type SettingName,
  SHORT_TEST,
} from './ladder'
export {
  fastAtOnce,
  proposed,
  type SpeedPoint,
  settingsAt,
  speedPicture,
  type TuneRefusal,
  tuneRefusal,
} from './speeds'
export { Tried, TUNE_OUTCOMES, type TuneSettings } from './tried'
