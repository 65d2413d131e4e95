export { checkAssignment } from './check'
