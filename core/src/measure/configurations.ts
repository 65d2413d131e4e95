export { CONFIGURATIONS, type Configuration } from '../model'
