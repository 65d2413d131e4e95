export { learned } from './learned'
export { learnedRoutes } from './routes'
