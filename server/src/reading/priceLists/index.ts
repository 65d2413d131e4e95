export { priceListRoutes } from './routes'
export { offersOf, writeOver } from './takeIn'
