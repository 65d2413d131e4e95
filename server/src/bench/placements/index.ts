export { checkAssignment } from './check'
export { jobUnits } from './jobUnits'
export { keepPieces, piecesFor } from './keep'
