import {
  type Assignment,
  type CounterState,
  type JobFile,
  type NextAct,
  type Sizing,
  STAGES,
  type Stage,
} from '../../things/records'
import { isHere, type PlannedPart } from '../orders'
import { agreedTo, stateOf } from '../quote'

/** Of the pieces that are bought of suppliers: how many, ordered, and come; and when the last comes (ISO date). */
export interface PartsProgress {
  units: number
  ordered: number
  here: number
  /** Null where nothing is awaited, or the supplier has not said. */
  lastOn: string | null
}

/** What has happened in a job, as far as the counter goes. */
export interface CounterFacts {
  stage: Stage
  /** Somebody has noted what is wrong or what it is used for. */
  asked: boolean
  /** It is on record what memory is in it, or that it is soldered. */
  identified: boolean
  /** How much memory its uses need is worked out, or said. */
  sized: boolean
  /** The plan on the board changes what is in the slots. */
  planned: boolean
  /** Pieces planned that are bought of suppliers. */
  supply: PartsProgress
  /** Its quotes in the order of their numbers; `validUntil` (ISO date) null for a draft. */
  quotes: readonly {
    number: number
    validUntil: string | null
    approved: boolean
    ended: 'declined' | 'withdrawn' | null
  }[]
  /** The work at the bench; null before any of it. */
  fit: { begun: boolean; finished: boolean } | null
  signed: boolean
  collected: boolean
}

export interface CounterStanding {
  state: CounterState
  act: NextAct
}

/** Where a job stands on the day `today` (ISO date), and the one thing to be done next; all of it follows from what has happened. */
export function counterStanding(job: CounterFacts, today: string): CounterStanding {
  const { stage, fit } = job
  const verified = STAGES.indexOf(stage) >= STAGES.indexOf('handover')
  if (job.collected || stage === 'closed') return { state: 'closed', act: 'NONE' }
  if (job.signed) return { state: 'ready', act: 'COLLECT' }
  if (verified) return { state: 'ready', act: 'HAND_OVER' }
  if (fit?.finished || stage === 'verify') return { state: 'bench', act: 'VERIFY' }
  if (fit?.begun) return { state: 'bench', act: 'FIT' }
  return quoted(job, today) ?? before(job)
}

/** What a quote leaves to be done; null before there is one. */
function quoted({ quotes, supply }: CounterFacts, today: string): CounterStanding | null {
  const versions = quotes.map(({ number, validUntil, approved, ended }) => ({
    number,
    document: validUntil === null ? null : { validUntil },
    approval: approved ? {} : null,
    ended: ended && { as: ended },
  }))
  const newest = versions.at(-1)
  if (!newest) return null
  if (agreedTo(versions)) {
    const act = partsAct(supply, today)
    return act ? { state: 'parts', act } : { state: 'bench', act: 'FIT' }
  }
  switch (stateOf(newest, versions, today)) {
    case 'offered':
      return { state: 'approval', act: 'GET_APPROVAL' }
    case 'drafted':
      return { state: 'workshop', act: 'OFFER' }
    default:
      return { state: 'approval', act: 'QUOTE_AGAIN' }
  }
}

/** What is to be done about parts that have not come; null where all are here. */
function partsAct({ units, ordered, here, lastOn }: PartsProgress, today: string): NextAct | null {
  if (here >= units) return null
  if (ordered < units) return 'ORDER_PARTS'
  return lastOn !== null && lastOn < today ? 'CHASE_PARTS' : 'AWAIT_PARTS'
}

function before({ planned, asked, identified, sized }: CounterFacts): CounterStanding {
  const act = planned
    ? 'OFFER'
    : !asked
      ? 'ASK'
      : !identified
        ? 'IDENTIFY'
        : !sized
          ? 'SIZE'
          : 'PLAN'
  return { state: 'workshop', act }
}

/** A job as far as the counter goes, as its own page has it. */
type JobAsShown = Pick<
  JobFile,
  'stage' | 'complaint' | 'uses' | 'found' | 'sizing' | 'machine' | 'quotes' | 'fits' | 'handovers'
>

/** Facts of a job that is open; `placement` is the plan on the board, null where nothing is planned. */
export function counterFacts(
  job: JobAsShown,
  placement: Assignment | null,
  parts: readonly PlannedPart[],
): CounterFacts {
  const { stage, complaint, uses, found, sizing, machine, quotes, fits, handovers } = job
  const [[fit], [handover]] = [fits, handovers]
  const bought = parts.filter(({ place }) => !['machine', 'customer', 'shelf'].includes(place))
  const awaited = bought.filter((part) => !isHere(part))
  const days = awaited.flatMap(({ ordered }) => ordered?.dueOn ?? []).sort()
  return {
    stage,
    asked: isTold({ complaint, uses }),
    identified: Object.keys(found).length > 0 || machine.machine.soldered.length > 0,
    sized: isSized(sizing),
    planned: placement !== null,
    supply: {
      units: bought.length,
      ordered: bought.filter(
        ({ place }) => place === 'here' || place === 'draft' || place === 'on-its-way',
      ).length,
      here: bought.length - awaited.length,
      lastOn: days.at(-1) ?? null,
    },
    quotes: quotes.map(({ number, document, approval, ended }) => ({
      number,
      validUntil: document?.validUntil ?? null,
      approved: approval !== null,
      ended: ended?.as ?? null,
    })),
    fit: fit
      ? {
          begun: Object.keys(fit.ticks).length > 0 || fit.seconds > 0 || fit.runningSince !== null,
          finished: fit.finishedAt !== null,
        }
      : null,
    signed: handover?.signed != null,
    collected: handover?.collected != null,
  }
}

/** Whether it is noted what is wrong, or what it is used for. */
export const isTold = ({ complaint, uses }: Pick<JobFile, 'complaint' | 'uses'>): boolean =>
  complaint.trim() !== '' || uses.trim() !== ''

/** Whether it is worked out or said how much memory is needed. */
export const isSized = ({
  uses,
  log,
  wantedGiB,
}: Pick<Sizing, 'uses' | 'log' | 'wantedGiB'>): boolean =>
  uses.length > 0 || log !== null || wantedGiB !== null

/** The groups of a day, in the order of work. */
export const DAY_GROUPS = [
  'overdue',
  'today',
  'bench',
  'workshop',
  'approval',
  'parts',
  'ready',
] as const
export type DayGroup = (typeof DAY_GROUPS)[number]

/** Whether a job can be worked on now: it waits neither for its customer nor for parts. */
export const canBeWorkedOn = ({ state }: { state: CounterState }): boolean =>
  state === 'workshop' || state === 'bench'

/** What a job of the day is put in order by: days as ISO dates. */
interface Dated {
  state: CounterState
  dueOn: string | null
  /** When the customer is to be asked again. */
  followUpOn: string | null
}

/** The group that an open job is in on the day `today`; what is ready is no longer late, but may have to be asked about. */
export function dayGroup({ state, dueOn, followUpOn }: Dated, today: string): DayGroup | null {
  if (state === 'closed') return null
  if (state !== 'ready' && dueOn !== null && dueOn < today) return 'overdue'
  const isToday = (day: string | null) => day !== null && day <= today
  return isToday(followUpOn) || (state !== 'ready' && isToday(dueOn)) ? 'today' : state
}

/** Open jobs in the order of work: group by group, what is due first before what is due later or never. */
export function inOrderOfWork<J extends Dated & { number: number }>(
  jobs: readonly J[],
  today: string,
): J[] {
  const rank = (job: J) => {
    const group = dayGroup(job, today)
    return group === null ? DAY_GROUPS.length : DAY_GROUPS.indexOf(group)
  }
  const due = ({ dueOn }: J) => dueOn ?? '9999'
  return [...jobs].sort(
    (a, b) => rank(a) - rank(b) || due(a).localeCompare(due(b)) || a.number - b.number,
  )
}
