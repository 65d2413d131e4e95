export { Probe } from './Probe'
