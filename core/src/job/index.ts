export { firmwareReasons, fittingInput, opennessOf, profileVolts, type ToFit } from './fitting'
export {
  type Added,
  type Hindrance,
  type Lead,
  type Offer,
  type OfferFacts,
  type OfferInput,
  offerOf,
  type TakenOut,
  type ToOffer,
} from './offer'
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
