export {
  type Described,
  describe,
  type FieldFault,
  HttpError,
  invalid,
  notFound,
  rootOf,
  versionConflict,
} from './errors'
export { malformedText, storable } from './storable'
