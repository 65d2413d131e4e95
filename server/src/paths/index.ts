export { MIGRATIONS, PLANNER, PREPARED, WEB_PAGES } from './paths'
