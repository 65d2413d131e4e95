export { SizeScreen } from './SizeScreen'
