export { OrderScreen } from './OrderScreen'
export { Orders } from './Orders'
