export { MIGRATIONS, PREPARED, WEB_PAGES } from './paths'
