export { readRoutes } from './routes'
