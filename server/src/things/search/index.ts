export { reindex } from './reindex'
export { Search, textMatches } from './textMatches'
