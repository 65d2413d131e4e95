export { jsonBody } from './body'
export {
  answerError,
  type FieldFault,
  HttpError,
  invalid,
  notFound,
  stale,
  unknownRoute,
} from './errors'
export { ownPagesOnly } from './guard'
