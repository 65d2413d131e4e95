import {
  type Arrangement,
  type Bench,
  effectOf,
  type Fault,
  type Outcome,
  outcomeOf,
  outcomeOfKey,
  type Trial,
  touches,
} from '../diagnose'

/**
 * A machine with faults hidden in it. What it does in a trial follows from them: one that always shows the
 * same each time, one that comes and goes by chance; a seat is home once it was touched, a setup once it
 * was cleared, a memory trained once it was waited for.
 */
export interface Hidden {
  bench: Bench
  faults: Fault[]
  arrangement: Arrangement
}

export const hide = (bench: Bench, arrangement: Arrangement, faults: readonly Fault[]): Hidden => ({
  bench,
  faults: [...faults],
  arrangement,
})

const ALWAYS = () => 0

/** Makes a trial: the outcome, and the machine after it. `chance` (from 0 to 1) says what comes and goes. */
export function tryOut(
  hidden: Hidden,
  trial: Trial,
  chance: () => number = ALWAYS,
): { outcome: Outcome; after: Hidden } {
  const { bench, arrangement } = hidden
  const faults = hidden.faults.map((fault) =>
    putsRight(arrangement, trial, fault) ? { ...fault, cured: true } : fault,
  )
  const effects = faults.map((fault) =>
    fault.cured || chance() >= fault.shows ? null : effectOf(bench, trial, fault),
  )
  const key = outcomeOf(trial, effects)
  const outcome: Outcome =
    key === 'MISSING'
      ? { kind: 'MISSING', slots: Object.keys(trial.arrangement).slice(-1) }
      : outcomeOfKey(key.split(' untested')[0] as string)
  return { outcome, after: { ...hidden, faults, arrangement: trial.arrangement } }
}

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
