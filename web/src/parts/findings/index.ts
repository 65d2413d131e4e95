export {
  type Circumstances,
  NO_FINDINGS,
  SEVERITY_NAMES,
  type Wording,
  wordingOf,
} from './catalogue'
export { FindingBox } from './FindingBox'
export { FindingList } from './FindingList'
