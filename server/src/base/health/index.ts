export { healthRoutes } from './routes'
