export { PaperPage } from './PaperPage'
export {
  type Block,
  code,
  type Label,
  type Line,
  type Paper,
  type PaperColumn,
  type PaperRow,
  strong,
  TICK,
} from './paper'
export { promise } from './promise'
