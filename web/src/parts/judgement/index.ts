export { CAUSE_ROWS } from './causeWords'
export { Judgement } from './Judgement'
export { OBJECTION_WORDS, POLICY_NAMES } from './words'
