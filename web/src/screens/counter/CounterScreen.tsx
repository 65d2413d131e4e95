import { STAGES, type Stage } from '@tembrix/core/things/records'
import { Plus, Search } from 'lucide-react'
import { lazy, Suspense } from 'react'
import { useNavigate, useSearchParams } from 'react-router'
import { Bar } from '../../base/shell'
import { Button, inputLook, Select, Waiting } from '../../base/ui'
import { AllJobs } from './AllJobs'
import { Day } from './Day'
import { STAGE_NAMES } from './words'

const Week = lazy(async () => ({ default: (await import('./WeekView')).WeekView }))

const WaitingView = lazy(async () => ({
  default: (await import('./WaitingView')).WaitingView,
}))

const SHOWN = [
  { value: '', label: 'The day' },
  { value: 'week', label: 'The week' },
  { value: 'waiting', label: 'What waits for whom' },
  { value: 'all', label: 'All jobs' },
  ...STAGES.map((stage) => ({ value: stage, label: `All at ${STAGE_NAMES[stage]}` })),
] as const

/** The day's jobs in the order of work; all jobs, found by any word, opened by a press, begun. */
export function CounterScreen() {
  const [params, setParams] = useSearchParams()
  const navigate = useNavigate()
  const search = params.get('search') ?? ''
  const shown = (params.get('show') ?? '') as '' | 'week' | 'waiting' | 'all' | Stage
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
        className="outline-none mx-auto flex w-full max-w-7xl min-h-0 flex-1 flex-col gap-3 p-4"
      >
        <div className="flex flex-wrap gap-3">
          <label className="relative min-w-64 flex-1">
            <span className="sr-only">Search</span>
            <Search size={18} aria-hidden className="absolute top-3.5 left-3 text-ink-2" />
            <input
              type="search"
              value={search}
              onChange={({ target }) => set('search', target.value)}
              placeholder="Name, phone, job, machine, serial or part number, complaint"
              className={`${inputLook} pl-10`}
            />
          </label>
          <Select
            aria-label="Jobs shown"
            className="max-w-48"
            value={shown}
            options={SHOWN}
            onValue={(value) => set('show', value)}
          />
          <Button look="main" onClick={() => navigate('/jobs/new')}>
            <Plus size={18} aria-hidden /> New job
          </Button>
        </div>
        {search === '' && shown === '' ? (
          <Day />
        ) : search === '' && shown === 'week' ? (
          <Suspense fallback={<Waiting>Opening the week…</Waiting>}>
            <Week />
          </Suspense>
        ) : search === '' && shown === 'waiting' ? (
          <Suspense fallback={<Waiting>Opening what waits…</Waiting>}>
            <WaitingView />
          </Suspense>
        ) : (
          <AllJobs
            search={search}
            stage={shown === 'all' || shown === 'week' || shown === 'waiting' ? '' : shown}
            onSearch={(meant) => set('search', meant)}
            onShowAll={() => setParams({ show: 'all' })}
          />
        )}
      </main>
    </div>
  )
}
