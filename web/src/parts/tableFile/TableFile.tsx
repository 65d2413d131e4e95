import { joinedCells, type Table } from '@tembrix/core/things/tables'
import { FileUp } from 'lucide-react'
import { useRef, useState } from 'react'
import { Button, ErrorText, FileDrop } from '../../base/ui'
import { CommaQuestion } from './CommaQuestion'
import { readTableFile } from './readTableFile'

export interface OpenedTable {
  name: string
  table: Table
}

interface Props {
  /** What the button says. */
  children: string
  /** What the file is, for those who hear it. */
  label: string
  /** The largest file that is opened, bytes, and the most rows it may have. */
  largest: number
  mostRows: number
  onTable: (opened: OpenedTable) => void
}

export const MORE_COLUMNS =
  'its rows have more columns than its headings. Write it with semicolons between, or with decimal points, so that no figure is taken for two.'

const overfullRow = ({ headings, rows }: Table): string[] =>
  rows.find(({ cells }) => cells.length > headings.length)?.cells ?? []

/** A button that opens a file of separated values, or a workbook; what cannot be opened is said beneath it. */
export function TableFile({ children, label, largest, mostRows, onTable }: Props) {
  const [fault, setFault] = useState('')
  const [asked, setAsked] = useState<(OpenedTable & { readings: number[][] }) | null>(null)
  const [opening, setOpening] = useState('')
  const ending = useRef<AbortController | null>(null)

  async function open(file: File | undefined) {
    setFault('')
    setAsked(null)
    if (!file) return
    if (file.size > largest) {
      setFault(`${file.name} is larger than ${largest / 1_000_000} MB; it was not opened.`)
      return
    }
    ending.current = new AbortController()
    setOpening(file.name)
    let read: Awaited<ReturnType<typeof readTableFile>>
    try {
      read = await readTableFile(file, ending.current.signal)
    } catch {
      return
    } finally {
      setOpening('')
    }
    const { table, readings } = read ?? {}
    if (!table) setFault(`${file.name} holds no table: a line of headings and rows under it.`)
    else if (table.rows.length > mostRows) setFault(`${file.name} has more than ${mostRows} rows.`)
    else {
      if (readings?.length === 0) setFault(`${file.name}: ${MORE_COLUMNS}`)
      else if (readings) setAsked({ name: file.name, table, readings })
      else onTable({ name: file.name, table })
    }
  }

  function settle({ name, table }: OpenedTable, commas: readonly number[]) {
    const rows = table.rows.map(({ line, cells }) => ({
      line,
      cells: joinedCells(cells, table.headings.length, commas),
    }))
    setAsked(null)
    onTable({ name, table: { ...table, rows } })
  }

  return (
    <>
      <ErrorText>{fault}</ErrorText>
      {asked && (
        <CommaQuestion
          name={asked.name}
          headings={asked.table.headings}
          row={overfullRow(asked.table)}
          readings={asked.readings}
          onReading={(commas) => settle(asked, commas)}
          onStop={() => setAsked(null)}
        />
      )}
      {opening && (
        <p role="status" className="flex items-center gap-2 text-sm">
          Opening {opening}…
          <Button look="quiet" onClick={() => ending.current?.abort()}>
            Cancel
          </Button>
        </p>
      )}
      <FileDrop
        label={label}
        accept=".csv,.tsv,.txt,.xlsx,text/csv"
        onFiles={([file]) => void open(file)}
      >
        <FileUp size={17} aria-hidden /> {children}
      </FileDrop>
    </>
  )
}
