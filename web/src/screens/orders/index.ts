export { OrderScreen } from './OrderScreen'
export { OrdersScreen } from './OrdersScreen'
