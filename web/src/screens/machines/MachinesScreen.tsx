import { matcherOf } from '@tembrix/core/shop/counter'
import { STARTING_MACHINES } from '@tembrix/core/things/machines'
import type { ModelRecord, ValidatedListLine } from '@tembrix/core/things/records'
import { Plus, Search } from 'lucide-react'
import { useMemo, useState } from 'react'
import { Link, useNavigate } from 'react-router'
import {
  overlayModels,
  useAppSelector,
  useCreateModelMutation,
  useModelsQuery,
  useValidatedListsQuery,
} from '../../base/data'
import { ago, capacity, plural } from '../../base/format'
import { Bar } from '../../base/shell'
import { type Column, DataTable } from '../../base/table'
import {
  Button,
  Dialog,
  ErrorText,
  inputLook,
  LoadError,
  PageMessage,
  Waiting,
} from '../../base/ui'

const columnsWith = (lists: readonly ValidatedListLine[]): Column<ModelRecord>[] => [
  {
    id: 'model',
    name: 'Model',
    fixed: true,
    narrow: 'head',
    sortBy: ({ machine }) => machine.name,
    cell: ({ id, machine }) => (
      <Link
        to={`/machines/${id}`}
        className="inline-flex min-h-11 items-center font-semibold text-act underline underline-offset-2"
      >
        {machine.name}
      </Link>
    ),
  },
  {
    id: 'kind',
    name: 'Kind',
    sortBy: ({ machine }) => machine.kind,
    cell: ({ machine }) => machine.kind,
  },
  {
    id: 'memory',
    name: 'Memory',
    sortBy: ({ machine }) => machine.generation,
    cell: ({ machine }) => machine.generation,
  },
  {
    id: 'slots',
    name: 'Slots',
    sortBy: ({ machine }) => machine.slots.length,
    cell: ({ machine }) =>
      `${machine.slots.length}${machine.soldered.length > 0 ? ' and soldered' : ''}`,
  },
  {
    id: 'most',
    name: 'Maximum',
    look: 'whitespace-nowrap',
    sortBy: ({ machine }) => machine.limits.totalGiB,
    cell: ({ machine }) => capacity(machine.limits.totalGiB),
  },
  {
    id: 'opens',
    name: 'Opens in',
    look: 'whitespace-nowrap',
    sortBy: ({ openingMinutes }) => openingMinutes,
    cell: ({ openingMinutes }) => (openingMinutes === null ? '' : `${openingMinutes} min`),
  },
  {
    id: 'lists',
    name: 'Lists',
    narrow: 'hidden',
    sortBy: ({ id }) => lists.filter(({ modelId }) => modelId === id).length,
    cell: ({ id }) => lists.filter(({ modelId }) => modelId === id).length || '',
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

/** The shop's records of machines by model. */
export function MachinesScreen() {
  const { data, error, refetch } = useModelsQuery(undefined, { refetchOnMountOrArgChange: true })
  const { data: lists = [] } = useValidatedListsQuery()
  const entries = useAppSelector((state) => state.outbox.entries)
  const [search, setSearch] = useState('')
  const [choosing, setChoosing] = useState(false)
  const navigate = useNavigate()
  const columns = useMemo(() => columnsWith(lists), [lists])
  const models = data && overlayModels(data, entries)
  const matches = matcherOf(search)
  const shown = models?.filter(({ machine }) =>
    matches(`${machine.name} ${machine.kind} ${machine.generation}`),
  )
  return (
    <div className="flex h-dvh flex-col">
      <Bar>
        <h1 className="font-semibold">Machines</h1>
      </Bar>
      <main
        id="work"
        tabIndex={-1}
        className="outline-none mx-auto flex min-h-0 w-full max-w-6xl flex-1 flex-col gap-3 p-4"
      >
        <div className="flex flex-wrap gap-3">
          <label className="relative min-w-64 flex-1">
            <span className="sr-only">Search</span>
            <Search size={18} aria-hidden className="absolute top-3.5 left-3 text-ink-2" />
            <input
              type="search"
              value={search}
              onChange={({ target }) => setSearch(target.value)}
              placeholder="Model, kind or generation"
              className={`${inputLook} pl-10`}
            />
          </label>
          <Button look="main" onClick={() => setChoosing(true)}>
            <Plus size={18} aria-hidden /> New record
          </Button>
        </div>
        {error && !data ? (
          <LoadError title="The records cannot be read" onRetry={refetch} />
        ) : !shown ? (
          <Waiting>Reading the records…</Waiting>
        ) : shown.length === 0 ? (
          <PageMessage
            title={search.trim() !== '' ? 'No record matches' : 'No machine is known yet'}
          >
            <p>
              {search.trim() !== ''
                ? 'Try fewer words.'
                : 'A record is kept from a job’s Identify step, or begun here; the next job on that model starts from it.'}
            </p>
          </PageMessage>
        ) : (
          <DataTable
            name="Machine records"
            rows={shown}
            columns={columns}
            keyOf={({ id }) => id}
            onOpen={({ id }) => navigate(`/machines/${id}`)}
          />
        )}
      </main>
      {choosing && <NewRecord onClose={() => setChoosing(false)} />}
    </div>
  )
}

/** Begins a record from the nearest general machine. */
function NewRecord({ onClose }: { onClose: () => void }) {
  const navigate = useNavigate()
  const [create, { isLoading, error }] = useCreateModelMutation()
  async function start(id: string) {
    const found = STARTING_MACHINES.find((one) => one.id === id)
    if (!found) return
    const answer = await create({ id: crypto.randomUUID(), machine: found.machine })
    if (answer.data) navigate(`/machines/${answer.data.id}`)
  }
  return (
    <Dialog
      open
      onOpen={onClose}
      title="New record"
      intro="Start from the nearest, then correct it by the manual."
    >
      <div className="flex flex-col gap-1.5">
        {STARTING_MACHINES.map(({ id, machine }) => (
          <Button
            key={id}
            className="justify-between"
            disabled={isLoading}
            onClick={() => start(id)}
          >
            {machine.name}
            <span className="text-sm text-ink-2">{plural(machine.channels.length, 'channel')}</span>
          </Button>
        ))}
      </div>
      {error && (
        <ErrorText className="mt-2">The server does not answer. Try again in a moment.</ErrorText>
      )}
    </Dialog>
  )
}
