export { shopRoutes, THE_SHOP } from './routes'
