export { answersIn } from './answersIn'
export * from './case'
export { type Claim, type Entry, isKept } from './claims'
export {
  type Assumed,
  type Completed,
  complete,
  LOW_STANDARD,
  missingIn,
  type Surroundings,
} from './complete'
export { type Difference, differencesOf, isHeld } from './differences'
export { type FromLabel, fromLabels } from './fromLabel'
export { agree, plainValue } from './meaning'
export { isOfMachine, settled } from './settle'
export { emptyKey, unseenSlots, weigh } from './weigh'
