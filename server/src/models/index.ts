export { modelRoutes } from './routes'
