export { measurementRoutes } from './routes'
