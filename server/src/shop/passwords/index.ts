export { keyIn } from './key'
export { forgetPassword, passwordRoutes } from './routes'
export { newKey, seal, unseal } from './seal'
