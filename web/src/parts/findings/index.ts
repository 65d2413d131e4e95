export { type Circumstances, type Wording, wordingOf } from './catalogue'
export { FindingList } from './FindingList'
