import type { JobLine, Person, Week } from '../../things/records'

type Line = Pick<JobLine, 'id' | 'dueOn' | 'state' | 'minutes'>

/** A day of the week: the work that is due on it against what there is. */
export interface PlannedDay<J> {
  /** ISO date. */
  on: string
  /** Minutes that the shop is open, for everybody at the bench together; null where nobody has said when it is open. */
  open: number | null
  /** Minutes of the work due that day that is still to be done, as quoted. */
  planned: number
  /** Jobs of which no quote says how long they take. */
  unquoted: number
  jobs: J[]
}

const minutesIn = (time: string): number => {
  const [hours = 0, minutes = 0] = time.split(':').map(Number)
  return hours * 60 + minutes
}

/** How many work at the bench; one where nobody is named. */
export const atBench = (people: readonly Pick<Person, 'bench'>[]): number =>
  people.filter(({ bench }) => bench).length || 1

/** What is still done at the bench: neither what is ready nor what is gone. */
const isWork = ({ state }: Line): boolean => state !== 'ready' && state !== 'closed'

/**
 * The seven `days` of a week from Monday on (ISO dates). What was due before `today` and is not ready is still to be
 * done, and counts on that day.
 */
export function plannedWeek<J extends Line>(
  jobs: readonly J[],
  days: readonly string[],
  today: string,
  hours: Week | null,
  benches: number,
): PlannedDay<J>[] {
  return days.map((on, at) => {
    const due = jobs.filter((job) => dayOf(job, today) === on)
    const work = due.filter(isWork)
    const day = hours?.[at]
    return {
      on,
      open: hours && (day ? (minutesIn(day.to) - minutesIn(day.from)) * benches : 0),
      planned: work.reduce((sum, { minutes }) => sum + (minutes ?? 0), 0),
      unquoted: work.filter(({ minutes }) => minutes === null).length,
      jobs: due,
    }
  })
}

const dayOf = (job: Line, today: string): string | null =>
  isWork(job) && job.dueOn !== null && job.dueOn < today ? today : job.dueOn
