export { createJob } from './queries'
export { jobRoutes } from './routes'
