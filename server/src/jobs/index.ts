export { jobRoutes } from './routes'
