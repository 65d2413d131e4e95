export { fitRoutes } from './routes'
