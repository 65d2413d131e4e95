export { validatedListRoutes } from './routes'
