export { CONFIGURATIONS, type Configuration } from '../../things/model'
