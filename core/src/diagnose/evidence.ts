import type { Outcome, Trial } from './trial'

/** A trial that was made, and what came of it. */
export interface Made extends Trial {
  outcome: Outcome
}

/** What speaks against a module, for whoever has to take it back. */
export interface Case {
  /** Trials with it that went wrong: the slot it sat in, and what was seen. */
  wrong: { slot: string; outcome: Outcome }[]
  /** Slots in which it went wrong and another module did well. */
  soundSlots: string[]
  /** Trials without it in which all was well, and how many of them with a memory test. */
  wellWithout: number
  testedWithout: number
}

export function caseAgainst(module: string, trials: readonly Made[]): Case {
  const slotIn = ({ arrangement }: Trial) =>
    Object.keys(arrangement).find((slot) => arrangement[slot] === module)
  const wrong = trials.flatMap((trial) => {
    const slot = slotIn(trial)
    return slot !== undefined && concerns(trial.outcome, slot)
      ? [{ slot, outcome: trial.outcome }]
      : []
  })
  const well = trials.filter(
    (trial) => slotIn(trial) === undefined && trial.outcome.kind === 'PASS',
  )
  const slots = [...new Set(wrong.map(({ slot }) => slot))]
  return {
    wrong,
    soundSlots: slots.filter((slot) => well.some(({ arrangement }) => arrangement[slot])),
    wellWithout: well.length,
    testedWithout: well.filter(({ depth }) => depth === 'test').length,
  }
}

/** Whether an outcome can be laid on what sits in this slot. */
const concerns = (outcome: Outcome, slot: string): boolean =>
  outcome.kind === 'MISSING' ? outcome.slots.includes(slot) : outcome.kind !== 'PASS'
