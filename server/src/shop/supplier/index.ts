export { ARTICLES, type ArticleName } from './articles'
export { answered, supplierRoutes } from './routes'
export { type SimulatedSupplier, SUPPLIER_NAME, simulatedSupplier } from './simulated'
export type { Supplier } from './supplier'
