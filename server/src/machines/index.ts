export { machineRoutes } from './routes'
