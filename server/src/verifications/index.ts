export { verificationRoutes } from './routes'
