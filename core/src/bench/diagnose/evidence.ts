import { type Action, slotOf, type Trial, type TrialOutcome } from './trial'

/** A trial that was made, and what came of it. */
export interface Made extends Trial {
  outcome: TrialOutcome
  /** Of the first trial: the trouble was said to come only when warm, or from cold too; nobody knows where left out. */
  onlyWarm?: boolean | undefined
  /** Whoever noted it was not sure. */
  unsure?: boolean
  /** What a beep or light code said, with the board’s manual as its key. */
  code?: string
}

/** What speaks against a module, for whoever has to take it back. */
export interface FaultEvidence {
  /** Trials with it that went wrong: the slot it sat in, and what was seen. */
  wrong: { slot: string; outcome: TrialOutcome }[]
  /** Slots in which it went wrong and another module did well. */
  soundSlots: string[]
  /** Trials without it in which all was well, and how many of them with a memory test. */
  wellWithout: number
  testedWithout: number
}

export function caseAgainst(module: string, trials: readonly Made[]): FaultEvidence {
  const wrong = trials.flatMap((trial) => {
    const slot = slotOf(trial.arrangement, module)
    return slot !== null && concerns(trial.outcome, slot) ? [{ slot, outcome: trial.outcome }] : []
  })
  const well = trials.filter(
    ({ arrangement, outcome }) => slotOf(arrangement, module) === null && outcome.kind === 'PASS',
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
export const concerns = (outcome: TrialOutcome, slot: string): boolean =>
  outcome.kind === 'MISSING' ? outcome.slots.includes(slot) : outcome.kind !== 'PASS'

/**
 * Whether every pass was a start from cold, in which a fault that shows only when warm passes too. False where nothing
 * passed.
 */
export function passedOnlyCold(trials: readonly Made[]): boolean {
  const well = trials.filter(({ outcome, unsure }) => outcome.kind === 'PASS' && !unsure)
  return well.length > 0 && well.every((trial) => levelOf(trial) === 0)
}

/** Whether a trial went wrong. */
export const isBad = ({ outcome }: Pick<Made, 'outcome'>): boolean => outcome.kind !== 'PASS'

/** Whether nothing wrong has been seen yet. */
export const isUnseen = (trials: readonly Made[]): boolean => !trials.some(isBad)

/** How much a trial brings out: 0 a start from cold, 1 a start of the warm machine, 2 a test. */
export function levelOf({ depth, warm = false }: Made): 0 | 1 | 2 {
  if (depth === 'test') return 2
  return warm ? 1 : 0
}

/** A trial that was answered for sure, with everything done by then. */
export interface Acted extends Made {
  done: ReadonlySet<Action>
}

/** Trials in their order, each with what had been done by then; unsure answers prove nothing and are left out. */
export function actedOn(trials: readonly Made[]): Acted[] {
  const done = new Set<Action>()
  return trials.flatMap((trial) => {
    if (trial.action) done.add(trial.action)
    return trial.unsure ? [] : [{ ...trial, done: new Set(done) }]
  })
}
