export { normal, random } from './random'
