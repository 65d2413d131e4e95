export { actRoutes, writeAll } from './routes'
