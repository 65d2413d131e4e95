export { standingOf } from './standing'
export { Verify } from './Verify'
