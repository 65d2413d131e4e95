export { addLike, leadOthers, refuseFollower } from './machineGroup'
export { listJobs, readJob } from './queries'
export { jobRoutes } from './routes'
