export { identifyRoutes, readRoutes } from './routes'
