export { jobFile, jobFileRoutes } from './routes'
