export { evaluateRoutes } from './routes'
