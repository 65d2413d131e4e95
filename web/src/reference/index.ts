export { Reference } from './Reference'
