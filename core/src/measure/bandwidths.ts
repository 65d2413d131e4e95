export { BANDWIDTHS, type Bandwidth } from '../model'
