export { sheetRoutes } from './routes'
