export { WriteButton } from './WriteButton'
