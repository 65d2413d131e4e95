import { deepEqual } from '../../things/model'
import {
  type Arrangement,
  effectOf,
  type Fault,
  isWarm,
  outcomeOf,
  outcomeOfKey,
  type Trial,
  type TrialBench,
  type TrialOutcome,
  touches,
} from '../diagnose'

/**
 * A machine with faults hidden in it. What it does in a trial follows from them: one that always shows the
 * same each time, one that comes and goes by chance; a seat is home once it was touched, a setup once it
 * was cleared, a memory trained once it was waited for.
 */
export interface Hidden {
  bench: TrialBench
  faults: Fault[]
  arrangement: Arrangement
  /** Minutes it has run since it was last open; 0 where left out. */
  ranFor?: number
}

export const hide = (
  bench: TrialBench,
  arrangement: Arrangement,
  faults: readonly Fault[],
): Hidden => ({
  bench,
  faults: [...faults],
  arrangement,
})

const ALWAYS = () => 0

/** Minutes that a start and a pass of the memory test warm a machine for, and after how many it is warm. */
const RUN = { start: 2, test: 20, warm: 10 }

/** Makes a trial: the outcome, and the machine after it. `chance` (from 0 to 1) says what comes and goes. */
export function tryOut(
  hidden: Hidden,
  trial: Trial,
  chance: () => number = ALWAYS,
): { outcome: TrialOutcome; after: Hidden } {
  const { bench, arrangement } = hidden
  const isCold = isOpened(arrangement, trial) || !isWarm(trial)
  const before = isCold ? 0 : (hidden.ranFor ?? 0)
  const faults = hidden.faults.map((fault) =>
    putsRight(arrangement, trial, fault) ? { ...fault, cured: true } : fault,
  )
  const effects = faults.map((fault) => {
    if (fault.cured || chance() >= fault.shows) return null
    const effect = effectOf(bench, trial, fault)
    // A test is long enough to get warm in, a start is not.
    const warm = before >= RUN.warm || trial.depth === 'test'
    return fault.onlyWarm && !warm ? null : effect
  })
  const key = outcomeOf(trial, effects)
  const outcome: TrialOutcome =
    key === 'MISSING'
      ? { kind: 'MISSING', slots: Object.keys(trial.arrangement).slice(-1) }
      : outcomeOfKey(key.split(' untested')[0] as string)
  const runs = outcome.kind === 'NO_START' ? 0 : trial.depth === 'test' ? RUN.test : RUN.start
  const ranFor = before + runs
  return { outcome, after: { ...hidden, faults, arrangement: trial.arrangement, ranFor } }
}

/** Whether the machine has to be opened for a trial; it cools down meanwhile. */
export const isOpened = (from: Arrangement, trial: Trial): boolean =>
  trial.reseat ||
  trial.action === 'clean' ||
  trial.action === 'connect' ||
  !deepEqual(from, trial.arrangement)

function putsRight(from: Arrangement, trial: Trial, fault: Fault): boolean {
  switch (fault.kind) {
    case 'SEAT':
      return touches(from, trial, fault.slot)
    case 'SETUP':
      return trial.action === 'clear-setup'
    case 'TRAINING':
      return trial.action === 'wait'
    default:
      return false
  }
}
