export { ShelfScreen } from './ShelfScreen'
