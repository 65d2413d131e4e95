export { plannerRoutes } from './routes'
