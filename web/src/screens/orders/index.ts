export { OrderScreen } from './OrderScreen'
export { OrdersScreen } from './OrdersScreen'
export { ReturnScreen } from './ReturnScreen'
