export { BANDWIDTHS, type Bandwidth } from '../../things/model'
