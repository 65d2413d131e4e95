export { MIGRATIONS, PREPARED, WEB_PAGES, WORKER } from './paths'
