import {
  type Arrangement,
  type Bench,
  effectOf,
  type Fault,
  type Outcome,
  outcomeOf,
  outcomeOfKey,
  type Trial,
} from '../diagnose'

/**
 * A machine with faults hidden in it. What it does in a trial follows from them, the same each time; a seat that was not home is home once it is seated anew.
 */
export interface Hidden {
  bench: Bench
  faults: Fault[]
  arrangement: Arrangement
  /** Seats that are still not home. */
  loose: string[]
}

export function hide(bench: Bench, arrangement: Arrangement, faults: readonly Fault[]): Hidden {
  const loose = faults.flatMap((fault) => (fault.kind === 'SEAT' ? [fault.slot] : []))
  return { bench, faults: [...faults], arrangement, loose }
}

/** Makes a trial: the outcome, and the machine after it. */
export function tryOut(hidden: Hidden, trial: Trial): { outcome: Outcome; after: Hidden } {
  const { bench, faults } = hidden
  const loose = hidden.loose.filter(
    (slot) => trial.arrangement[slot] === hidden.arrangement[slot] && !trial.reseat,
  )
  const acting = faults.filter((fault) => fault.kind !== 'SEAT' || loose.includes(fault.slot))
  const effects = acting.map((fault) => effectOf(bench, trial, fault))
  const outcome = outcomeOfKey(outcomeOf(trial, effects))
  return { outcome, after: { ...hidden, arrangement: trial.arrangement, loose } }
}
