export { forecastRoutes, priceRoutes, sizeRoutes } from './routes'
