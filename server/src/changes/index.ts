export { changeRoutes } from './routes'
