export { PHASE_NAMES, type StepWords, TOOL_NAMES, WORK_NAMES, wordsOf } from './words'
