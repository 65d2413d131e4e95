import { type Proposal, proposals } from './choose'
import { doubtfulOf } from './doubt'
import type { Made } from './evidence'
import { type CauseTable, STARTING_CAUSES } from './fault'
import { AFTER_FITTING, type Complaint } from './hypotheses'
import { type Suspicion, suspect, suspects, weighings } from './inference'
import type { Arrangement, TrialBench, TrialOutcome } from './trial'
import { type CureStep, type FaultSearch, leadingOf, type Unseen, verdict } from './verdict'

/** What stands on the bench, how it first showed, and what was tried since. */
export interface DiagnoseRequest {
  bench: TrialBench
  start: {
    arrangement: Arrangement
    profile: boolean
    outcome: TrialOutcome
    unsure?: boolean | undefined
  } & Partial<Complaint>
  trials: readonly Made[]
  /** How often each cause is met; what is usual where null. */
  causes?: CauseTable | null
}

/** Where the search stands: still open, ended with a verdict, or at the end of what can be tried here. */
export type DiagnosisState = 'open' | 'named' | 'cured' | 'nothing' | 'cannot-tell'

export interface Diagnosis {
  state: DiagnosisState
  /** The part whose control was made; null while nothing is proven. */
  named: { parts: string[]; chance: number } | null
  /** Acts that put the machine right and the parts they concern; null unless it is put right. */
  cured: { parts: string[]; chance: number; done: CureStep[] } | null
  /** Faults that clean trials leave possible; empty unless nothing was found. */
  cannotExclude: Unseen[]
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
  const { bench, start } = request
  const complaint = complaintOf(start)
  const begun = suspect(
    bench,
    start.arrangement,
    start.profile,
    request.causes ?? STARTING_CAUSES,
    complaint,
  )
  const made = [startOf(request), ...request.trials]
  const search = searchOf(begun, made, complaint)
  return { ...judged(search), doubtful: doubtfulOf(search.answers).map((at) => at - 1) }
}

const complaintOf = ({ fitted, warm }: Partial<Complaint>): Complaint => ({
  fitted: fitted ?? AFTER_FITTING.fitted,
  warm: warm ?? AFTER_FITTING.warm,
})

/**
 * The search after these trials, the first symptom before them. That may have shown warm unless it was said to come
 * from cold.
 */
export function searchOf(
  begun: Suspicion,
  [symptom, ...since]: readonly Made[],
  complaint: Complaint = AFTER_FITTING,
): FaultSearch {
  const trials = symptom ? [{ ...symptom, warm: complaint.warm !== false }, ...since] : []
  const answers = weighings(begun, trials)
  const suspicion = answers.at(-1)?.after ?? begun
  const began = answers[0]?.after ?? begun
  return { suspicion, began, trials, answers, complaint, leading: leadingOf(suspicion) }
}

/** Where a search stands, and what to try next. */
export function judged(search: FaultSearch): Omit<Diagnosis, 'doubtful'> {
  const { suspicion, trials } = search
  const end = trials.length > 0 ? verdict(search) : null
  const next = end || trials.length === 0 ? [] : proposals(search)
  return {
    state: end?.state ?? (next.length > 0 || trials.length === 0 ? 'open' : 'cannot-tell'),
    named: end?.state === 'named' ? { parts: end.parts, chance: end.chance } : null,
    cured: end?.state === 'cured' ? { parts: end.parts, chance: end.chance, done: end.done } : null,
    cannotExclude: end?.state === 'nothing' ? end.cannotExclude : [],
    suspects: suspects(suspicion)
      .slice(0, MOST_SUSPECTS)
      .map(({ parts, chance }) => ({ parts, chance })),
    next,
    lacks: end ? [] : lacksOf(suspicion.bench),
  }
}

/** The first start as a trial: what shows at once needed no test. */
export function startOf({ start }: Pick<DiagnoseRequest, 'start'>): Made {
  const { arrangement, profile, outcome, unsure = false } = start
  const depth = outcome.kind === 'NO_START' || outcome.kind === 'MISSING' ? 'start' : 'test'
  return { arrangement, profile, reseat: false, depth, action: null, outcome, unsure }
}

/** With one module, or one slot, some things cannot be told apart. */
export function lacksOf({ modules, known, order }: TrialBench): Lack[] {
  return [
    ...(modules.length + known.length < 2 || (modules.length < 3 && known.length === 0)
      ? (['KNOWN_MODULE'] as const)
      : []),
    ...(order.length < 2 ? (['ANOTHER_SLOT'] as const) : []),
  ]
}
