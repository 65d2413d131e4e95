export { notify } from './notices'
export { ToastPlace } from './ToastPlace'
