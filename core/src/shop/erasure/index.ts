export { NOBODY, withoutPerson } from './withoutPerson'
