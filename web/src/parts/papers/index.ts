export { PaperPage } from './PaperPage'
export {
  type Block,
  type Column,
  code,
  type Label,
  type Line,
  type Paper,
  type Row,
  strong,
  TICK,
} from './paper'
export { promise } from './promise'
