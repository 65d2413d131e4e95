export { CAUSE_ROWS } from './causeWords'
export { Judgement } from './Judgement'
export { OBJECTION_WORDS } from './words'
