import {
  type ColumnMapping,
  type ModelRecord,
  VALIDATED_COLUMNS,
  VALIDATED_LIMIT,
  type ValidatedColumn,
} from '@tembrix/core/records'
import { guessColumns, importValidated } from '@tembrix/core/validated'
import { Trash2 } from 'lucide-react'
import { useMemo, useState } from 'react'
import {
  useCreateValidatedListMutation,
  useRemoveValidatedListMutation,
  useValidatedListsQuery,
} from '../data'
import { type OpenedTable, TableFile } from '../tableFile'
import { ago, Button, Dialog, Field, plural, Select } from '../ui'

/** The largest list that is opened, bytes. */
const LARGEST = 5_000_000

/** The makers' lists of tested modules kept with a model, and the import of another. */
export function ValidatedLists({ model }: { model: ModelRecord }) {
  const { data: lists = [] } = useValidatedListsQuery()
  const [remove] = useRemoveValidatedListMutation()
  const [chosen, setChosen] = useState<OpenedTable | null>(null)
  const own = lists.filter(({ modelId }) => modelId === model.id)

  return (
    <>
      {own.length === 0 ? (
        <p className="text-ink-2">
          None yet. With the board maker’s list, Plan says which articles were tested, and in how
          many slots.
        </p>
      ) : (
        <ul className="flex flex-col">
          {own.map((list) => (
            <li key={list.id} className="flex items-center gap-2 border-t border-rule">
              <span className="flex-1">
                <b className="font-semibold">{list.name}</b> ·{' '}
                {plural(list.count, 'entry', 'entries')}
              </span>
              <span className="text-sm text-ink-2">{ago(list.createdAt)}</span>
              <button
                type="button"
                aria-label={`Remove the list ${list.name}`}
                onClick={() => remove(list)}
                className="grid size-11 place-items-center rounded-sm hover:bg-stop-soft"
              >
                <Trash2 size={17} aria-hidden />
              </button>
            </li>
          ))}
        </ul>
      )}
      <TableFile
        label="Validated list"
        largest={LARGEST}
        mostRows={VALIDATED_LIMIT}
        onTable={setChosen}
      >
        Import a list (CSV)
      </TableFile>
      {chosen && (
        <ImportDialog
          modelId={model.id}
          chosen={chosen}
          remembered={lists.map(({ mapping }) => mapping)}
          onClose={() => setChosen(null)}
        />
      )}
    </>
  )
}

const COLUMN_NAMES: Record<ValidatedColumn, string> = {
  article: 'Article',
  kitSize: 'Pieces in the kit',
  capacityGiB: 'Size of a module',
  slotsTested: 'Slots tested',
  dataRate: 'Rate',
}

interface ImportProps {
  modelId: string
  chosen: OpenedTable
  remembered: readonly ColumnMapping[]
  onClose: () => void
}

/** Says which column holds what, shows what comes of it and what does not, and imports. */
function ImportDialog({ modelId, chosen, remembered, onClose }: ImportProps) {
  const { name, table } = chosen
  const { headings } = table
  const [columns, setColumns] = useState(
    () =>
      remembered.find((one) => one.headings.join('\n') === headings.join('\n'))?.columns ??
      guessColumns(headings),
  )
  const [create, { isLoading, error }] = useCreateValidatedListMutation()
  const { entries, faults } = useMemo(() => importValidated(table, columns), [table, columns])

  async function go() {
    const mapping = { headings, columns }
    const answer = await create({ id: crypto.randomUUID(), modelId, name, mapping, entries })
    if (!answer.error) onClose()
  }

  return (
    <Dialog open onOpen={onClose} title={`Import ${name}`} intro="Say which column holds what.">
      <div className="mb-3 grid grid-cols-2 gap-3 sm:grid-cols-3">
        {VALIDATED_COLUMNS.map((column) => (
          <Field key={column} label={COLUMN_NAMES[column]}>
            {(control) => (
              <Select
                {...control}
                value={columns[column] ?? ''}
                options={[
                  { value: '', label: 'not in the list' },
                  ...headings.filter(Boolean).map((value) => ({ value, label: value })),
                ]}
                onValue={(heading) =>
                  setColumns((now) => {
                    const { [column]: _, ...rest } = now
                    return heading === '' ? rest : { ...rest, [column]: heading }
                  })
                }
              />
            )}
          </Field>
        ))}
      </div>
      <p className="mb-1 font-semibold">
        {plural(entries.length, 'entry', 'entries')} of {plural(table.rows.length, 'row')}
      </p>
      <table className="mb-3 w-full border-collapse text-left text-sm">
        <thead>
          <tr className="border-b border-rule">
            {VALIDATED_COLUMNS.map((column) => (
              <th key={column} className="py-1 font-semibold">
                {COLUMN_NAMES[column]}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {entries.slice(0, 4).map((entry, at) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: a preview in the order of the file
            <tr key={at} className="border-b border-rule">
              {VALIDATED_COLUMNS.map((column) => (
                <td key={column} className="py-1">
                  {entry[column] ?? '–'}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
      {faults.length > 0 && (
        <details className="mb-3 border-l-4 border-risk-line bg-risk-soft px-3 py-1">
          <summary className="cursor-pointer py-1">
            {plural(faults.length, 'row')} cannot be imported and{' '}
            {faults.length === 1 ? 'is' : 'are'} left out
          </summary>
          <ul className="max-h-40 overflow-auto text-sm">
            {faults.slice(0, 200).map(({ line, message }) => (
              <li key={line}>
                line {line}: {message}
              </li>
            ))}
          </ul>
        </details>
      )}
      {error && (
        <p role="alert" className="mb-3 font-medium text-stop">
          The server did not take the list. Try again in a moment.
        </p>
      )}
      <div className="flex justify-end gap-3">
        <Button onClick={onClose}>Cancel</Button>
        <Button look="main" disabled={entries.length === 0 || isLoading} onClick={go}>
          {isLoading ? 'Importing…' : `Import ${entries.length}`}
        </Button>
      </div>
    </Dialog>
  )
}
