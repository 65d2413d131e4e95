export { diagnoseRoutes } from './routes'
