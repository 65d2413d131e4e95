export { NewJobScreen } from './NewJobScreen'
