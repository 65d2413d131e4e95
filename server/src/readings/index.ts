export { readingRoutes } from './routes'
