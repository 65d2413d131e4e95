export { quoteRoutes } from './routes'
