export { readLabels } from './labels'
