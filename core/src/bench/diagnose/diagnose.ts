import { type Proposal, proposals, verdict } from './choose'
import { doubtfulOf } from './doubt'
import type { Made } from './evidence'
import { type CauseTable, STARTING_CAUSES } from './fault'
import { observed, type Suspicion, suspect, suspects } from './inference'
import type { Arrangement, TrialBench, TrialOutcome } from './trial'

/** What stands on the bench, how it first showed, and what was tried since. */
export interface DiagnoseRequest {
  bench: TrialBench
  start: { arrangement: Arrangement; profile: boolean; outcome: TrialOutcome; unsure?: boolean }
  trials: readonly Made[]
  /** How often each cause is met; what is usual where null. */
  causes?: CauseTable | null
}

export interface Diagnosis {
  /** The part whose control was made; null while nothing is proven. */
  named: { parts: string[]; chance: number } | null
  /** The likeliest first. */
  suspects: { parts: string[]; chance: number }[]
  next: Proposal[]
  /** Answers that do not fit the others: places in the trials, -1 for the start. */
  doubtful: number[]
  /** What would tell apart what the bench as it is cannot. */
  lacks: Lack[]
}

export const LACKS = ['KNOWN_MODULE', 'ANOTHER_SLOT'] as const
export type Lack = (typeof LACKS)[number]

const MOST_SUSPECTS = 12

/** What is suspected, named and to be tried next. Contradictory answers are weighed, not refused. */
export function diagnose(request: DiagnoseRequest): Diagnosis {
  const { bench } = request
  const made = [startOf(request), ...request.trials]
  const begun = beginning(request)
  const suspicion = after(begun, made)
  const named = verdict(suspicion, made)
  const next = named ? [] : proposals(suspicion, made)
  return {
    named: named && { parts: named.parts, chance: named.chance },
    suspects: suspects(suspicion)
      .slice(0, MOST_SUSPECTS)
      .map(({ parts, chance }) => ({ parts, chance })),
    next,
    doubtful: doubtfulOf(begun, made).map((at) => at - 1),
    lacks: named ? [] : lacksOf(bench),
  }
}

/** The first start as a trial: what shows at once needed no test. */
export function startOf({ start }: Pick<DiagnoseRequest, 'start'>): Made {
  const { arrangement, profile, outcome, unsure = false } = start
  const depth = outcome.kind === 'NO_START' || outcome.kind === 'MISSING' ? 'start' : 'test'
  return { arrangement, profile, reseat: false, depth, action: null, outcome, unsure }
}

const beginning = ({ bench, start, causes }: DiagnoseRequest): Suspicion =>
  suspect(bench, start.arrangement, start.profile, causes ?? STARTING_CAUSES)

/** What is suspected after these trials. */
export const after = (suspicion: Suspicion, trials: readonly Made[]): Suspicion =>
  trials.reduce<Suspicion>(
    (now, trial) => observed(now, trial, trial.outcome, trial.unsure),
    suspicion,
  )

/** With one module, or one slot, some things cannot be told apart. */
export function lacksOf({ modules, known, order }: TrialBench): Lack[] {
  return [
    ...(modules.length + known.length < 2 || (modules.length < 3 && known.length === 0)
      ? (['KNOWN_MODULE'] as const)
      : []),
    ...(order.length < 2 ? (['ANOTHER_SLOT'] as const) : []),
  ]
}
