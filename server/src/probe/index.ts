export { probeRoutes } from './routes'
