export { readJob } from './queries'
export { jobRoutes } from './routes'
