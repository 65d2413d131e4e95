export { retell } from './retell'
export { Search, saying } from './saying'
