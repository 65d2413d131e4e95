export { shopRoutes } from './routes'
