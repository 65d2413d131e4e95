export { jsonBody, storable } from './body'
export {
  answerError,
  type FieldFault,
  HttpError,
  invalid,
  notFound,
  stale,
  unknownRoute,
} from './errors'
export { ownPagesOnly, samePageOnly } from './guard'
export { pageSecurity } from './security'
