import { STARTING_MACHINES } from '@tembrix/core/machines'
import { Plus, Search } from 'lucide-react'
import { useState } from 'react'
import { Link, useNavigate } from 'react-router'
import {
  overlayModels,
  useAppSelector,
  useCreateModelMutation,
  useModelsQuery,
  useValidatedListsQuery,
} from '../../base/data'
import { Bar } from '../../base/shell'
import { ago, Button, Dialog, inputLook, Message, plural } from '../../base/ui'

/** The shop's records of machines by model. */
export function Machines() {
  const { data, error, refetch } = useModelsQuery(undefined, { refetchOnMountOrArgChange: true })
  const { data: lists = [] } = useValidatedListsQuery()
  const entries = useAppSelector((state) => state.outbox.entries)
  const [search, setSearch] = useState('')
  const [choosing, setChoosing] = useState(false)
  const words = search.toLowerCase().split(/\s+/).filter(Boolean)
  const models = data && overlayModels(data, entries)
  const shown = models?.filter(({ machine }) => {
    const text = `${machine.name} ${machine.kind} ${machine.generation}`.toLowerCase()
    return words.every((word) => text.includes(word))
  })
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
          <Message title="The records cannot be read">
            <p>The server does not answer.</p>
            <Button onClick={refetch}>Try again</Button>
          </Message>
        ) : !shown ? (
          <p className="p-8 text-center text-ink-2">Reading the records…</p>
        ) : shown.length === 0 ? (
          <Message title={words.length > 0 ? 'No record matches' : 'No machine is known yet'}>
            <p>
              {words.length > 0
                ? 'Try fewer words.'
                : 'A record is kept from a job’s Identify step, or begun here; the next job on that model starts from it.'}
            </p>
          </Message>
        ) : (
          <div className="min-h-0 overflow-auto border border-rule-2 bg-sheet">
            <table className="w-full border-collapse text-left">
              <thead className="sticky top-0 bg-sheet-2 text-sm">
                <tr>
                  {[
                    'Model',
                    'Kind',
                    'Memory',
                    'Slots',
                    'At most',
                    'Opens in',
                    'Lists',
                    'Changed',
                  ].map((name) => (
                    <th key={name} scope="col" className="px-3 py-2 font-semibold">
                      {name}
                    </th>
                  ))}
                </tr>
              </thead>
              <tbody>
                {shown.map(({ id, machine, openingMinutes, updatedAt }) => (
                  <tr key={id} className="h-12 border-t border-rule hover:bg-act-soft">
                    <td className="px-3">
                      <Link
                        to={`/machines/${id}`}
                        className="font-semibold text-act underline underline-offset-2"
                      >
                        {machine.name}
                      </Link>
                    </td>
                    <td className="px-3">{machine.kind}</td>
                    <td className="px-3">{machine.generation}</td>
                    <td className="px-3">
                      {machine.slots.length}
                      {machine.soldered.length > 0 ? ' and soldered' : ''}
                    </td>
                    <td className="px-3 whitespace-nowrap">{machine.limits.totalGiB} GB</td>
                    <td className="px-3 whitespace-nowrap">
                      {openingMinutes === null ? '' : `${openingMinutes} min`}
                    </td>
                    <td className="px-3">
                      {lists.filter(({ modelId }) => modelId === id).length || ''}
                    </td>
                    <td className="px-3 text-sm whitespace-nowrap text-ink-2">{ago(updatedAt)}</td>
                  </tr>
                ))}
              </tbody>
            </table>
          </div>
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
        <p role="alert" className="mt-2 font-medium text-stop">
          The server does not answer. Try again in a moment.
        </p>
      )}
    </Dialog>
  )
}
