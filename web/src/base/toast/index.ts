export { ToastPlace } from './ToastPlace'
export { tell } from './told'
