export { priceListRoutes } from './routes'
export { offersOf, written } from './takeIn'
