export { type Planning, usePlanner } from './usePlanner'
