import type { ColumnHeadings, RowFault } from '@tembrix/core/things/tables'
import { type ReactNode, useEffect, useState } from 'react'
import { plural } from '../../base/format'
import { Button, callout, Dialog, Disclosure, ErrorText, Field, Select } from '../../base/ui'
import type { OpenedTable } from './TableFile'

interface Mapping<Column extends string> {
  headings: string[]
  columns: ColumnHeadings<Column>
}

/** Results of the rows of a table, and the rows that make nothing. */
export interface RowsRead<Made> {
  made: Made[]
  faults: RowFault[]
}

interface Props<Column extends string, Made, Read extends RowsRead<Made>> {
  opened: OpenedTable
  names: Readonly<Record<Column, string>>
  /** Which of the columns the preview shows, and how. */
  preview: readonly { column: Column; show: (made: Made) => string }[]
  guess: (headings: readonly string[]) => ColumnHeadings<Column>
  /** Mappings used before; one for the same headings is taken up. */
  remembered: readonly Mapping<Column>[]
  /** Reads all rows; says how many are done meanwhile. Ended by its signal once other columns are chosen. */
  read: (
    columns: ColumnHeadings<Column>,
    onRows: (done: number) => void,
    signal: AbortSignal,
  ) => Promise<Read>
  /** What one of what is made is called. */
  one: string
  many: string
  busy: boolean
  /** How far it has come where it is taken in piece by piece, and what ends that. */
  progress?: { done: number; stop: () => void } | null
  failed: string | null
  /** Why it cannot be taken yet, beside what the rows say. */
  hindrance?: ((columns: ColumnHeadings<Column>) => string | undefined) | undefined
  onTake: (made: Made[], mapping: Mapping<Column>) => void
  onClose: () => void
  /** Further questions about the list, by the columns chosen. */
  children?: (columns: ColumnHeadings<Column>, read: Read | null) => ReactNode
}

const FAULTS_SHOWN = 200
const PREVIEWED = 4

/** Says which column of a table holds what, shows what comes of it and what does not, and takes it in. */
export function ImportTable<
  Column extends string,
  Made extends object,
  Read extends RowsRead<Made>,
>(props: Props<Column, Made, Read>) {
  const { opened, names, preview, remembered, one, many, busy, progress, failed } = props
  const { headings, rows } = opened.table
  const [columns, setColumns] = useState<ColumnHeadings<Column>>(
    () =>
      remembered.find((mapping) => mapping.headings.join('\n') === headings.join('\n'))?.columns ??
      props.guess(headings),
  )
  const { result, done, fault } = useRowsRead(props.read, columns)
  const { made = [], faults = [] } = result ?? {}
  const hindrance = props.hindrance?.(columns)
  const all = Object.keys(names) as Column[]

  return (
    <Dialog
      open
      onOpen={props.onClose}
      wide
      title={`Import ${opened.name}`}
      intro="Say which column holds what."
    >
      <div className="mb-3 grid grid-cols-2 gap-x-3 gap-y-2 sm:grid-cols-4">
        {all.map((column) => (
          <Field key={column} label={names[column]}>
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
                    const next = { ...now }
                    if (heading === '') delete next[column]
                    else next[column] = heading
                    return next
                  })
                }
              />
            )}
          </Field>
        ))}
      </div>
      {props.children?.(columns, result)}
      <p className="mb-1 flex items-center gap-3 font-semibold" aria-live="polite">
        {done === null ? (
          `${plural(made.length, one, many)} of ${plural(rows.length, 'row')}`
        ) : (
          <>
            Reading the rows
            <progress
              className="h-2 flex-1 accent-act"
              value={done}
              max={rows.length}
              aria-label="Reading the rows"
            />
          </>
        )}
      </p>
      <table className="mb-3 w-full border-collapse text-left text-sm">
        <thead>
          <tr className="border-b border-rule">
            {preview.map(({ column }) => (
              <th key={column} scope="col" className="py-1 pr-2 font-semibold">
                {names[column]}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {made.slice(0, PREVIEWED).map((entry, at) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: a preview in the order of the file
            <tr key={at} className="border-b border-rule">
              {preview.map(({ column, show }) => (
                <td key={column} className="py-1 pr-2">
                  {show(entry)}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
      {faults.length > 0 && (
        <Disclosure
          open={faults.length <= 60}
          className={callout({ tone: 'risk', className: 'mb-3' })}
          summary={
            <>
              {plural(faults.length, 'row')} cannot be imported and{' '}
              {faults.length === 1 ? 'is' : 'are'} left out
            </>
          }
        >
          <ul className="max-h-40 overflow-auto text-sm">
            {faults.slice(0, FAULTS_SHOWN).map(({ line, message }) => (
              <li key={line}>
                line {line}: {message}
              </li>
            ))}
            {faults.length > FAULTS_SHOWN && <li>and {faults.length - FAULTS_SHOWN} more</li>}
          </ul>
        </Disclosure>
      )}
      <ErrorText className="mb-3">
        {fault === '' ? failed : `The rows cannot be read: ${fault}`}
      </ErrorText>
      <div className="sticky -bottom-5 -mb-5 bg-sheet pt-2 pb-5">
        {progress && (
          <p className="flex min-h-11 items-center gap-3 text-sm" role="status">
            <progress
              className="h-2 flex-1 accent-act"
              value={progress.done}
              max={made.length}
              aria-label="Importing"
            />
            <span>
              {progress.done} of {plural(made.length, one, many)}
            </span>
            <Button look="quiet" onClick={progress.stop}>
              Stop
            </Button>
          </p>
        )}
        <div className="flex items-center justify-end gap-3">
          {hindrance && <p className="mr-auto text-sm text-risk">{hindrance}</p>}
          <Button onClick={props.onClose}>Cancel</Button>
          <Button
            look="main"
            disabled={made.length === 0 || busy || hindrance !== undefined || done !== null}
            onClick={() => props.onTake(made, { headings, columns })}
          >
            {busy ? 'Importing…' : `Import ${made.length}`}
          </Button>
        </div>
      </div>
    </Dialog>
  )
}

/** Rows read by these columns, the former result until it is there; `done` counts the rows read, null once all are. */
function useRowsRead<Column extends string, Read>(
  read: (
    columns: ColumnHeadings<Column>,
    onRows: (done: number) => void,
    signal: AbortSignal,
  ) => Promise<Read>,
  columns: ColumnHeadings<Column>,
) {
  const [result, setResult] = useState<Read | null>(null)
  const [done, setDone] = useState<number | null>(0)
  const [fault, setFault] = useState('')
  useEffect(() => {
    const ending = new AbortController()
    setDone(0)
    setFault('')
    read(columns, setDone, ending.signal).then(
      (all) => {
        if (ending.signal.aborted) return
        setResult(all)
        setDone(null)
      },
      (error: unknown) => {
        if (ending.signal.aborted) return
        setFault(error instanceof Error ? error.message : String(error))
        setResult(null)
        setDone(null)
      },
    )
    return () => ending.abort()
  }, [read, columns])
  return { result, done, fault }
}
