export { Verify } from './Verify'
