export { customerRoutes, machineRoutes } from './routes'
