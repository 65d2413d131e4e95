export { readShop, shopRoutes, THE_SHOP } from './routes'
