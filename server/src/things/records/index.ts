export { type Records, type Rules, records, type Stamped } from './records'
export { recordRoutes } from './routes'
