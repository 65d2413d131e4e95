export {
  type Circumstances,
  GRADE_WORDS,
  NO_FINDINGS,
  SEVERITY_NAMES,
  type Wording,
  wordingOf,
} from './catalogue'
export { FindingBox } from './FindingBox'
export { FindingList } from './FindingList'
