import { type CounterState, type NextAct, STAGES, type Stage } from '../../things/records'
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

function before({ stage, planned }: CounterFacts): CounterStanding {
  if (planned) return { state: 'workshop', act: 'OFFER' }
  if (stage === 'intake') return { state: 'workshop', act: 'ASK' }
  return { state: 'workshop', act: stage === 'identify' ? 'IDENTIFY' : 'PLAN' }
}

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
