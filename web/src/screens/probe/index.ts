export { ProbeScreen } from './ProbeScreen'
