import { canBeWorkedOn, DAY_GROUPS, dayGroup, inOrderOfWork } from '@tembrix/core/shop/counter'
import { toChase } from '@tembrix/core/shop/handover'
import type { JobLine } from '@tembrix/core/things/records'
import { lazy, Suspense, useMemo } from 'react'
import { Link, useNavigate, useSearchParams } from 'react-router'
import { useOpenJobsQuery, useShopQuery, useWaitingQuery } from '../../base/data'
import { capital, list, plural, today } from '../../base/format'
import { DataTable } from '../../base/table'
import { callout, LoadError, PageMessage, Waiting } from '../../base/ui'
import { NoJobs } from './AllJobs'
import { DAY_COLUMNS } from './columns'
import { GROUP_NAMES } from './words'

const FirstRun = lazy(async () => ({ default: (await import('./FirstRun')).FirstRun }))

/** Jobs that can be worked on now, and the groups of the day. */
const SHOWN = ['now', ...DAY_GROUPS] as const
type Shown = (typeof SHOWN)[number]
const NAMES: Record<Shown, string> = { now: 'Can be worked on now', ...GROUP_NAMES }

const isIn = (job: JobLine, shown: Shown, on: string): boolean =>
  shown === 'now' ? canBeWorkedOn(job) : dayGroup(job, on) === shown

/** Every open job in the order of work, with the one thing to be done next; all or one group of them. */
export function Day() {
  const on = today()
  const navigate = useNavigate()
  const [params, setParams] = useSearchParams()
  const { data, error, refetch } = useOpenJobsQuery(on, { refetchOnMountOrArgChange: true })
  const { data: shop } = useShopQuery()
  const jobs = useMemo(() => data && inOrderOfWork(data, on), [data, on])
  const asked = params.get('group')
  const group = SHOWN.find((one) => one === asked) ?? null
  const rows = useMemo(
    () => jobs?.filter((job) => group === null || isIn(job, group, on)) ?? [],
    [jobs, group, on],
  )
  if (error && !jobs) {
    return (
      <LoadError title="The jobs cannot be read" onRetry={refetch}>
        The server does not answer. It may be starting.
      </LoadError>
    )
  }
  if (!jobs) return <Waiting>Reading the jobs…</Waiting>
  const count = (of: Shown) => jobs.filter((job) => isIn(job, of, on)).length
  const show = (next: Shown | null) => setParams(next ? { group: next } : {}, { replace: true })
  if (jobs.length === 0) {
    if (!shop) return <Waiting>Reading the settings…</Waiting>
    if (shop.terms.shopName === '')
      return (
        <Suspense fallback={<Waiting>Opening…</Waiting>}>
          <FirstRun shop={shop} />
        </Suspense>
      )
    return (
      <>
        <NoJobs />
        <Link to="/?show=all" className="mx-auto inline-flex min-h-11 items-center underline">
          Closed jobs
        </Link>
      </>
    )
  }
  return (
    <>
      <ToAct on={on} />
      <fieldset className="flex min-w-0 shrink-0 gap-2 sm:flex-wrap max-sm:overflow-x-auto max-sm:pb-1">
        <legend className="sr-only">Which jobs</legend>
        <Group name="All open" jobs={jobs.length} on={group === null} onShow={() => show(null)} />
        {SHOWN.map((one) => (
          <Group
            key={one}
            name={NAMES[one]}
            jobs={count(one)}
            on={group === one}
            onShow={() => show(group === one ? null : one)}
          />
        ))}
      </fieldset>
      {rows.length === 0 ? (
        <PageMessage title={`No job: ${group ? NAMES[group].toLowerCase() : 'none is open'}`} />
      ) : (
        <DataTable
          name="The day"
          rows={rows}
          columns={DAY_COLUMNS}
          keyOf={({ id }) => id}
          onOpen={({ id }) => navigate(`/jobs/${id}`)}
        />
      )}
    </>
  )
}

interface GroupProps {
  name: string
  jobs: number
  on: boolean
  onShow: () => void
}

function Group({ name, jobs, on, onShow }: GroupProps) {
  return (
    <button
      type="button"
      aria-pressed={on}
      onClick={onShow}
      className={`flex min-h-11 shrink-0 items-center gap-2 rounded-sm border px-3 whitespace-nowrap ${on ? 'border-act bg-act-soft font-semibold' : 'border-rule-2 bg-sheet hover:bg-sheet-2'} ${jobs === 0 ? 'text-ink-2' : ''}`}
    >
      {name} <b className="font-semibold tabular-nums">{jobs}</b>
    </button>
  )
}

/** Messages that did not arrive and claims to ask after, until somebody acts on them. */
function ToAct({ on }: { on: string }) {
  const { data } = useWaitingQuery()
  const lost = data?.messages.length ?? 0
  const due = toChase(data?.claims ?? [], on).filter(({ isDue }) => isDue).length
  if (lost + due === 0) return null
  const said = [
    ...(lost > 0 ? [`${plural(lost, 'message')} did not arrive`] : []),
    ...(due > 0 ? [`${plural(due, 'claim')} to ask after`] : []),
  ]
  return (
    <p className={callout({ tone: 'risk' })}>
      {capital(list(said))}.{' '}
      <Link to="/?show=waiting" className="inline-flex min-h-11 items-center underline">
        What waits for whom
      </Link>
    </p>
  )
}
