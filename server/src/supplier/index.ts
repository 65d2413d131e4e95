export { ARTICLES, type ArticleName } from './articles'
export { supplierRoutes } from './routes'
export { SUPPLIER_NAME } from './simulated'
export type { Supplier } from './supplier'
