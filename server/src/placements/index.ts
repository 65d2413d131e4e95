export { checkAssignment } from './check'
export { keepPieces } from './keep'
