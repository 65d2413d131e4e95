export { answersIn } from './answersIn'
export * from './case'
export { type Belief, type Claim, claimCounts } from './claims'
export {
  type Assumed,
  type Completed,
  complete,
  LOW_STANDARD,
  type ModuleSurroundings,
  missingIn,
} from './complete'
export { differencesOf, isHeld, type ModuleDifference } from './differences'
export { emptyKey } from './emptyKey'
export { type FromLabel, fromLabels } from './fromLabel'
export { agree, plainValue } from './meaning'
export { isOfMachine, settled } from './settle'
export { unseenSlots, weigh } from './weigh'
