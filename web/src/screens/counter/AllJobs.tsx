import { skipToken } from '@reduxjs/toolkit/query'
import { Plus } from 'lucide-react'
import { useDeferredValue } from 'react'
import { useNavigate } from 'react-router'
import { API, loadedRows, useJobsInfiniteQuery, useMeantQuery } from '../../base/data'
import { today } from '../../base/format'
import { DataTable } from '../../base/table'
import { Button, LoadError, LoadMore, PageMessage, Waiting } from '../../base/ui'
import { ALL_COLUMNS } from './columns'

/** Lists that are saved whole. */
const SHEETS = ['jobs', 'modules', 'measurements'] as const

interface Props {
  search: string
  stage: string
  onSearch: (search: string) => void
  onShowAll: () => void
}

/** Every job there is, closed ones too, the last changed first; found by any word. */
export function AllJobs({ search, stage, onSearch, onShowAll }: Props) {
  const navigate = useNavigate()
  const asked = useDeferredValue(search)
  const list = useJobsInfiniteQuery(
    { search: asked, stage, today: today() },
    { refetchOnMountOrArgChange: true },
  )
  const { error, refetch, isLoading } = list
  const data = loadedRows(list.data)
  const { data: meant } = useMeantQuery(asked !== '' && data?.length === 0 ? asked : skipToken)
  if (error && !data) {
    return (
      <LoadError title="The jobs cannot be read" onRetry={refetch}>
        The server does not answer. It may be starting.
      </LoadError>
    )
  }
  if (isLoading || !data) return <Waiting>Reading the jobs…</Waiting>
  if (data.length === 0) {
    return search || stage ? (
      <PageMessage title="No job matches">
        {meant && (
          <Button look="main" onClick={() => onSearch(meant)}>
            Did you mean “{meant}”?
          </Button>
        )}
        <Button onClick={onShowAll}>Show all jobs</Button>
      </PageMessage>
    ) : (
      <NoJobs />
    )
  }
  return (
    <>
      <p className="text-sm">
        As sheets (CSV), whole:{' '}
        {SHEETS.map((name, at) => (
          <span key={name}>
            {at > 0 && ', '}
            <a
              href={`${API}/sheets/${name}.csv`}
              download
              className="inline-flex min-h-11 items-center underline"
            >
              {name}
            </a>
          </span>
        ))}
      </p>
      <DataTable
        name="Jobs"
        rows={data}
        columns={ALL_COLUMNS}
        keyOf={({ id }) => id}
        onOpen={({ id }) => navigate(`/jobs/${id}`)}
        more={list.hasNextPage}
        foot={<LoadMore list={list} />}
      />
    </>
  )
}

export function NoJobs() {
  const navigate = useNavigate()
  return (
    <PageMessage title="No jobs yet">
      <p>A job starts with a customer and a machine; the rest is found out on the way.</p>
      <Button look="main" onClick={() => navigate('/jobs/new')}>
        <Plus size={18} aria-hidden /> New job
      </Button>
    </PageMessage>
  )
}
