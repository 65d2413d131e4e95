import { type JobLine, STAGES, type Stage } from '@tembrix/core/records'
import { Plus, Search } from 'lucide-react'
import { useDeferredValue } from 'react'
import { Link, useNavigate, useSearchParams } from 'react-router'
import { rowsOf, useJobsInfiniteQuery } from '../../base/data'
import { ago, day, overdue } from '../../base/format'
import { Bar } from '../../base/shell'
import { type Column, DataTable } from '../../base/table'
import { Button, inputLook, Message, More, Select, Unread, Waiting } from '../../base/ui'
import { STAGE_NAMES } from './stages'

const STAGE_OPTIONS = [
  { value: '', label: 'Every stage' },
  ...STAGES.map((stage) => ({ value: stage, label: STAGE_NAMES[stage] })),
]

/** The day's jobs: found by any word, opened by a press, begun. */
export function Counter() {
  const [params, setParams] = useSearchParams()
  const navigate = useNavigate()
  const search = params.get('search') ?? ''
  const stage = (params.get('stage') ?? '') as Stage | ''
  const asked = useDeferredValue(search)
  const list = useJobsInfiniteQuery({ search: asked, stage }, { refetchOnMountOrArgChange: true })
  const { error, refetch, isLoading } = list
  const data = rowsOf(list.data)
  const set = (name: string, value: string) =>
    setParams(
      (now) => {
        if (value) now.set(name, value)
        else now.delete(name)
        return now
      },
      { replace: true },
    )

  return (
    <div className="flex h-dvh flex-col">
      <Bar>
        <h1 className="font-semibold">Counter</h1>
      </Bar>
      <main
        id="work"
        tabIndex={-1}
        className="outline-none mx-auto flex w-full max-w-6xl min-h-0 flex-1 flex-col gap-3 p-4"
      >
        <div className="flex flex-wrap gap-3">
          <label className="relative min-w-64 flex-1">
            <span className="sr-only">Search</span>
            <Search size={18} aria-hidden className="absolute top-3.5 left-3 text-ink-2" />
            <input
              type="search"
              value={search}
              onChange={({ target }) => set('search', target.value)}
              placeholder="Customer, machine, complaint or job number"
              className={`${inputLook} pl-10`}
            />
          </label>
          <Select
            aria-label="Stage"
            className="max-w-44"
            value={stage}
            options={STAGE_OPTIONS as { value: Stage | ''; label: string }[]}
            onValue={(value) => set('stage', value)}
          />
          <Button look="main" onClick={() => navigate('/jobs/new')}>
            <Plus size={18} aria-hidden /> New job
          </Button>
        </div>
        {error && !data ? (
          <Unread title="The jobs cannot be read" onRetry={refetch}>
            The server does not answer. It may be starting.
          </Unread>
        ) : isLoading || !data ? (
          <Waiting>Reading the jobs…</Waiting>
        ) : data.length === 0 ? (
          search || stage ? (
            <Message title="No job matches">
              <Button onClick={() => setParams({})}>Show all jobs</Button>
            </Message>
          ) : (
            <Message title="No jobs yet">
              <p>A job starts with a customer and a machine; the rest is found out on the way.</p>
              <Button look="main" onClick={() => navigate('/jobs/new')}>
                <Plus size={18} aria-hidden /> New job
              </Button>
            </Message>
          )
        ) : (
          <DataTable
            name="Jobs"
            rows={data}
            columns={COLUMNS}
            keyOf={({ id }) => id}
            onOpen={({ id }) => navigate(`/jobs/${id}`)}
            more={list.hasNextPage}
            foot={<More list={list} />}
          />
        )}
      </main>
    </div>
  )
}

const isLate = ({ dueOn, stage }: JobLine): boolean =>
  dueOn !== null && stage !== 'closed' && overdue(dueOn)

const COLUMNS: readonly Column<JobLine>[] = [
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
    cell: ({ customerName }) => customerName,
  },
  {
    id: 'machine',
    name: 'Machine',
    sortBy: ({ machineName }) => machineName,
    cell: ({ machineName }) => machineName,
  },
  {
    id: 'complaint',
    name: 'Complaint',
    narrow: 'hidden',
    look: 'max-w-72 truncate text-ink-2',
    cell: ({ complaint }) => complaint,
  },
  {
    id: 'stage',
    name: 'At',
    look: 'whitespace-nowrap',
    sortBy: ({ stage }) => STAGES.indexOf(stage),
    cell: ({ stage }) => STAGE_NAMES[stage],
  },
  {
    id: 'due',
    name: 'Due',
    look: 'whitespace-nowrap',
    sortBy: ({ dueOn }) => dueOn,
    cell: (job) =>
      job.dueOn && (
        <span className={isLate(job) ? 'font-semibold text-stop' : ''}>
          {day(job.dueOn)}
          {isLate(job) && ', late'}
        </span>
      ),
  },
  {
    id: 'changed',
    name: 'Changed',
    narrow: 'hidden',
    look: 'text-sm whitespace-nowrap text-ink-2',
    sortBy: ({ updatedAt }) => updatedAt,
    cell: ({ updatedAt }) => ago(updatedAt),
  },
]
