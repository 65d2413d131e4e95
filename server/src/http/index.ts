export { jsonBody, storable } from './body'
export { onTheDisk, type Storage } from './disk'
export {
  answerError,
  type FieldFault,
  HttpError,
  invalid,
  notFound,
  stale,
  unknownRoute,
} from './errors'
export { keptNowhere, ownPagesOnly, samePageOnly } from './guard'
export { pageSecurity } from './security'
