export { addLike, leadOthers, refuseFollower } from './like'
export { listJobs, readJob } from './queries'
export { jobRoutes } from './routes'
