export { type PageRead, readPages } from './pages'
