export { answersIn } from './answersIn'
export { type Belief, believe, claimCounts } from './believe'
export * from './case'
export { differencesOf, isHeld, type ModuleDifference } from './differences'
export { emptyKey } from './emptyKey'
export { type FromLabel, fromLabels } from './fromLabel'
export { agree, type Believable, plainValue } from './meaning'
export {
  type Assumed,
  complete,
  LOW_STANDARD,
  type MadeModule,
  type ModuleSurroundings,
  missingIn,
  moduleBelieved,
} from './moduleBelieved'
export { isOfMachine, settled } from './settle'
export { unseenSlots, weigh } from './weigh'
