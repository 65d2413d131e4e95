export { ERASED_NAME, withoutPerson } from './withoutPerson'
