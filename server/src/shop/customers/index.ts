export { customerRoutes } from './routes'
