import { DAY_GROUPS, dayGroup } from '@tembrix/core/shop/counter'
import { type JobLine, STAGES } from '@tembrix/core/things/records'
import { Link } from 'react-router'
import { ago, day, overdue, today } from '../../base/format'
import type { Column } from '../../base/table'
import { ACTS } from '../../parts/acts'
import { GROUP_NAMES, STAGE_NAMES } from './words'

const isLate = ({ dueOn, stage }: JobLine): boolean =>
  dueOn !== null && stage !== 'closed' && overdue(dueOn)

/** The columns that name a job, in any list. */
const NAMED: readonly Column<JobLine>[] = [
  {
    id: 'number',
    name: 'Job',
    fixed: true,
    sortBy: ({ number }) => number,
    cell: ({ id, number }) => (
      <Link
        to={`/jobs/${id}`}
        className="inline-flex min-h-11 min-w-11 items-center font-mono font-semibold text-act underline underline-offset-2"
      >
        {number}
      </Link>
    ),
  },
  {
    id: 'customer',
    name: 'Customer',
    fixed: true,
    narrow: 'head',
    look: 'font-medium',
    sortBy: ({ customerName }) => customerName,
    cell: ({ customerId, customerName, phone }) => (
      <>
        <Link to={`/customers/${customerId}`} className="decoration-rule-2 hover:underline">
          {customerName}
        </Link>
        {phone && <span className="block text-sm font-normal text-ink-2">{phone}</span>}
      </>
    ),
  },
]

/** `several` says in words of several like machines what a line is of. */
const machine = (several: (job: JobLine) => { name: string; note: string }): Column<JobLine> => ({
  id: 'machine',
  name: 'Machine',
  sortBy: ({ machineName }) => machineName,
  cell: (job) => {
    if (job.machines === 1) return job.machineName
    const { name, note } = several(job)
    return (
      <>
        {name}
        <span className="block text-sm text-ink-2">{note}</span>
      </>
    )
  },
})

/** All of them in one line, and one of them by itself. */
const ALL_LIKE = machine(({ machineName, machines, ready }) => ({
  name: `${machines} × ${machineName}`,
  note: `${ready} of ${machines} ready`,
}))
const ONE_OF = machine(({ machineName, machines }) => ({
  name: machineName,
  note: `one of ${machines} like machines`,
}))

const DUE: Column<JobLine> = {
  id: 'due',
  name: 'Due',
  look: 'whitespace-nowrap',
  sortBy: ({ dueOn }) => dueOn,
  cell: (job) => (
    <>
      {job.dueOn && (
        <span className={isLate(job) ? 'font-semibold text-stop' : ''}>
          {day(job.dueOn)}
          {isLate(job) && ', late'}
        </span>
      )}
      {job.followUpOn && job.stage !== 'closed' && (
        <span className="block text-sm text-ink-2">ask again {day(job.followUpOn)}</span>
      )}
    </>
  ),
}

const COMPLAINT: Column<JobLine> = {
  id: 'complaint',
  name: 'Complaint',
  narrow: 'hidden',
  look: 'max-w-72 truncate text-ink-2',
  cell: ({ complaint }) => complaint,
}

/** What is to be done next, and the way there. */
const NEXT: Column<JobLine> = {
  id: 'next',
  name: 'Next',
  fixed: true,
  sortBy: ({ act }) => ACTS[act].words,
  cell: ({ actId, act, partsOn }) => {
    const { words, step, to } = ACTS[act]
    return step || to ? (
      <Link
        to={to ?? `/jobs/${actId}/${step}`}
        className="inline-flex min-h-11 min-w-11 items-center underline"
      >
        {words}
        {partsOn && act === 'AWAIT_PARTS' && `, due ${day(partsOn)}`}
      </Link>
    ) : (
      words
    )
  },
}

const rankOf = (job: JobLine) => {
  const group = dayGroup(job, today())
  return group ? DAY_GROUPS.indexOf(group) : DAY_GROUPS.length
}

/** Where a job is; whether it is late stands beside its day. */
const WHERE: Column<JobLine> = {
  id: 'where',
  name: 'Where',
  look: 'whitespace-nowrap',
  sortBy: rankOf,
  cell: ({ state }) => (state === 'closed' ? 'Closed' : GROUP_NAMES[state]),
}

export const DAY_COLUMNS = [...NAMED, ALL_LIKE, WHERE, NEXT, DUE, COMPLAINT]

export const ALL_COLUMNS: readonly Column<JobLine>[] = [
  ...NAMED,
  ONE_OF,
  COMPLAINT,
  {
    id: 'stage',
    name: 'At',
    look: 'whitespace-nowrap',
    sortBy: ({ stage }) => STAGES.indexOf(stage),
    cell: ({ stage }) => STAGE_NAMES[stage],
  },
  DUE,
  {
    id: 'changed',
    name: 'Changed',
    narrow: 'hidden',
    look: 'text-sm whitespace-nowrap text-ink-2',
    sortBy: ({ updatedAt }) => updatedAt,
    cell: ({ updatedAt }) => ago(updatedAt),
  },
]
