import type { CauseTable } from '@tembrix/core/bench/diagnose'

/** Each cause of the shop’s table, by name and with a word to it. */
export const CAUSE_ROWS: readonly [keyof CauseTable, string, string][] = [
  ['seat', 'A module not fully seated, each slot', 'By judgement the commonest after a fitting.'],
  ['moduleDead', 'A dead module, each', 'Dead on arrival, or damaged in transit.'],
  ['moduleWeak', 'A module with errors, each', 'Starts, and fails under test.'],
  ['slot', 'A bad slot, each', 'Worn, dirty or cracked; rarer than a bad module.'],
  ['pair', 'Two that do not work together, each pair', 'Mixed sets now and then.'],
  ['profile', 'An unstable profile', 'Starts, and fails hours later.'],
  ['order', 'Slots in the wrong order', 'Boards that want the preferred slots first.'],
  ['limit', 'A limit of the board', 'More than it takes in total.'],
  ['setup', 'Old values in the setup', 'Until it is cleared.'],
  ['training', 'A first start cut short', 'Until training is given its time.'],
  ['machine', 'Not the memory', 'Board, processor, power.'],
  ['intermittent', 'Faults that come and go, of all', 'From 0 to 0.9.'],
  ['two', 'Two causes at once, against one', 'From 0 to 1.'],
]
