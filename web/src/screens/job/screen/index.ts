export { JobScreen, ResumeJob } from './JobScreen'
