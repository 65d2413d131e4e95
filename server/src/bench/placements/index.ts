export { checkAssignment } from './check'
export { keepPieces, piecesFor } from './keep'
