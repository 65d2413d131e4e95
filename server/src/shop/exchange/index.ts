export { everythingOf } from './everything'
export { jobFile, jobFileRoutes } from './routes'
