export { ShopSettings } from './ShopSettings'
