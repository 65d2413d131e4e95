export { listJobs, readJob } from './queries'
export { jobRoutes } from './routes'
