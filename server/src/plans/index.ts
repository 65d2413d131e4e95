export { planRoutes } from './routes'
