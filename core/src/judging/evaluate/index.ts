export {
  type AboveRating,
  aboveRating,
  GRADES,
  type Grade,
  REACHED_ABOVE,
  SHARE_ABOVE,
} from './aboveRating'
export { asFarAsSeen } from './asFarAsSeen'
export { evaluate } from './evaluate'
export { byChannel, channelCapacities, differ, type Fitted, fittedModules } from './fitted'
export { type Span, spans } from './layout'
export { organisationOf } from './organisation'
export {
  type ChannelLoad,
  hasProfile,
  highestStep,
  profilePossible,
  ratingAt,
  type SpeedLimits,
  speedLimits,
  topRate,
} from './rate'
export { moduleStops } from './stops'
export { moduleTimings } from './timings'
