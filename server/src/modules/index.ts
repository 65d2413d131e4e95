export { moduleRoutes } from './routes'
