export { firmwareReasons, fittingInput, opennessOf, profileVolts, type ToFit } from './fitting'
export {
  arrangementOf,
  assignmentOf,
  channelsMeasured,
  differencesFound,
  openedBy,
  standingOf,
  suspicionOf,
  type ToProve,
  trialsMade,
} from './proof'
export { type Situation, situationOf } from './situation'
