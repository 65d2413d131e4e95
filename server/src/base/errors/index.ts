export {
  type Described,
  describe,
  type FieldFault,
  HttpError,
  invalid,
  notFound,
  rootOf,
  stale,
} from './errors'
export { malformedText, storable } from './storable'
