export { photoRoutes } from './routes'
