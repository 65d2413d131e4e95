export { shopModules } from './shopModules'
