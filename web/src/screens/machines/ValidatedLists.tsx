import { importValidated, VALIDATED_WORDS } from '@tembrix/core/reading/lists'
import {
  type ModelRecord,
  VALIDATED_COLUMNS,
  VALIDATED_LIMIT,
  type ValidatedColumn,
  type ValidatedEntry,
  type ValidatedList,
  type ValidatedListLine,
} from '@tembrix/core/things/records'
import { type ColumnHeadings, guessColumns } from '@tembrix/core/things/tables'
import { Trash2 } from 'lucide-react'
import { useCallback, useState } from 'react'
import {
  useCreateValidatedListMutation,
  useRemoveValidatedListMutation,
  useValidatedListsQuery,
} from '../../base/data'
import { ago, plural } from '../../base/format'
import { Confirm, IconButton, LoadError, Waiting } from '../../base/ui'
import { ImportTable, type OpenedTable, TableFile } from '../../parts/tableFile'

/** The largest list that is opened, bytes. */
const LARGEST = 5_000_000

/** The makers' lists of tested modules kept with a model, and the import of another. */
export function ValidatedLists({ model }: { model: ModelRecord }) {
  const { data: lists, error, refetch } = useValidatedListsQuery()
  const [remove] = useRemoveValidatedListMutation()
  const [chosen, setChosen] = useState<OpenedTable | null>(null)
  const [leaving, setLeaving] = useState<ValidatedListLine | null>(null)
  const own = lists?.filter(({ modelId }) => modelId === model.id)

  return (
    <>
      {error && !own ? (
        <LoadError title="The lists cannot be read" onRetry={refetch} />
      ) : !own ? (
        <Waiting>Reading the lists…</Waiting>
      ) : own.length === 0 ? (
        <p className="text-ink-2">
          None yet. With the board maker’s list, Plan says which part numbers were tested, and in
          how many slots.
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
              <IconButton
                label={`Remove the list ${list.name}`}
                onClick={() => setLeaving(list)}
                look="remove"
              >
                <Trash2 size={17} aria-hidden />
              </IconButton>
            </li>
          ))}
        </ul>
      )}
      {leaving && (
        <Confirm
          title="Remove this list?"
          action="Remove it"
          onConfirm={() => remove(leaving)}
          onClose={() => setLeaving(null)}
        >
          {leaving.name}, {plural(leaving.count, 'entry', 'entries')}. It can be had back only from
          its file.
        </Confirm>
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
          remembered={lists?.map(({ mapping }) => mapping) ?? []}
          onClose={() => setChosen(null)}
        />
      )}
    </>
  )
}

const COLUMN_NAMES: Record<ValidatedColumn, string> = {
  maker: 'Maker',
  article: 'Part number',
  kitSize: 'Pieces in the kit',
  capacityGiB: 'Size of a module',
  slotsTested: 'Slots tested',
  dataRate: 'Speed',
}

const PREVIEW = VALIDATED_COLUMNS.map((column) => ({
  column,
  show: (entry: ValidatedEntry) => String(entry[column] ?? '–'),
}))

interface ImportProps {
  modelId: string
  chosen: OpenedTable
  remembered: readonly ValidatedList['mapping'][]
  onClose: () => void
}

function ImportDialog({ modelId, chosen, remembered, onClose }: ImportProps) {
  const { name, table } = chosen
  const [create, { isLoading, error }] = useCreateValidatedListMutation()
  const read = useCallback(
    async (columns: ColumnHeadings<ValidatedColumn>) => importValidated(table, columns),
    [table],
  )
  return (
    <ImportTable
      opened={chosen}
      names={COLUMN_NAMES}
      preview={PREVIEW}
      guess={(headings) => guessColumns(headings, VALIDATED_WORDS)}
      remembered={remembered}
      read={read}
      one="entry"
      many="entries"
      busy={isLoading}
      failed={error ? 'The server did not take the list. Try again in a moment.' : null}
      onTake={async (entries, mapping) => {
        const answer = await create({ id: crypto.randomUUID(), modelId, name, mapping, entries })
        if (!answer.error) onClose()
      }}
      onClose={onClose}
    />
  )
}
