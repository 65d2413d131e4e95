export { meantBy } from './meant'
export { reindex } from './reindex'
export { Search, textMatches } from './textMatches'
