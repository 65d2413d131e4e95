export { actRoutes } from './routes'
