export { ARTICLES, type ArticleName } from './articles'
export { supplierRoutes } from './routes'
export { SUPPLIER_NAME, simulatedSupplier } from './simulated'
export { type Supplier, SupplierFailed } from './supplier'
