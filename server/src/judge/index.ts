export { compareRoutes, forecastRoutes, priceRoutes, sizeRoutes } from './routes'
