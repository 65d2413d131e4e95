export { JobScreen, Start } from './JobScreen'
