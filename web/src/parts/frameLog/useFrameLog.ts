import {
  firstRows,
  guessFrameColumn,
  type LogHead,
  logHead,
  type Trim,
} from '@tembrix/core/bench/measure'
import { commaReadings, joinedCells } from '@tembrix/core/things/tables'
import { useCallback, useEffect, useRef, useState } from 'react'
import { MORE_COLUMNS } from '../tableFile'
import type { Analysed, FrameColumn, FrameLogRequest, FromReader, Overview } from './messages'
import { textChunks } from './textChunks'

const KEY = 'tembrix.frameColumns'

export interface OpenedFrameLog {
  name: string
  head: LogHead | null
  column: FrameColumn
  trim: Trim
  /** Some rows, to choose the column by. */
  rows: string[][]
  /** Ways to read decimal commas between commas, to choose from; none where it is not asked. */
  readings: number[][]
  share: number | null
  /** The column as it is, nothing left out; null until it has been read. */
  whole: Overview | null
  analysed: Analysed | null
  failed: string | null
}

const NOTHING: OpenedFrameLog = {
  name: '',
  head: null,
  column: { heading: '', unit: 'ms' },
  trim: { begin: 0, end: 0 },
  rows: [],
  readings: [],
  share: null,
  whole: null,
  analysed: null,
  failed: null,
}

/** Reads logs of frame times or scores in a worker; the column chosen is remembered by the headings. */
export function useFrameLog() {
  const [log, setLog] = useState<OpenedFrameLog>(NOTHING)
  const picked = useRef<File | null>(null)
  const running = useRef<Worker | null>(null)
  const end = useCallback(() => {
    running.current?.terminate()
    running.current = null
  }, [])
  useEffect(() => end, [end])

  const analyse = useCallback(
    (head: LogHead, column: FrameColumn, trim: Trim) => {
      end()
      if (!picked.current) return
      const worker = new Worker(new URL('./worker.ts', import.meta.url), { type: 'module' })
      running.current = worker
      setLog((now) => ({ ...now, column, trim, share: 0, analysed: null, failed: null }))
      worker.onmessage = ({ data }: MessageEvent<FromReader>) => {
        if (data.kind === 'progress') setLog((now) => ({ ...now, share: data.share }))
        else if (data.kind === 'done') {
          const { analysed } = data
          setLog((now) => ({ ...now, share: null, analysed, whole: analysed.whole }))
        } else setLog((now) => ({ ...now, share: null, failed: data.why }))
      }
      worker.onerror = () => setLog((now) => ({ ...now, share: null, failed: 'no reader' }))
      worker.postMessage({ file: picked.current, head, column, trim } satisfies FrameLogRequest)
    },
    [end],
  )

  function begin(name: string, head: LogHead, rows: string[][]) {
    setLog({ ...NOTHING, name, head, rows })
    const guessed = guessFrameColumn(head.headings, rows)
    // Where no column can be frame times, scores are likelier: somebody has to say which.
    const other = { heading: head.headings.at(-1) ?? '', unit: null }
    analyse(head, remembered(head.headings) ?? guessed ?? other, NOTHING.trim)
  }

  return {
    log,
    open: async (file: File) => {
      end()
      picked.current = file
      const beginning = await textChunks(file).next()
      const head = beginning.done ? null : logHead(beginning.value.text)
      if (!head) {
        setLog({ ...NOTHING, name: file.name, failed: 'The log is empty.' })
        return
      }
      const rows = firstRows(beginning.value?.text ?? '', head)
      const readings = commaReadings(head, rows)
      if (readings?.length === 0) setLog({ ...NOTHING, name: file.name, failed: MORE_COLUMNS })
      else if (readings) setLog({ ...NOTHING, name: file.name, head, rows, readings })
      else begin(file.name, head, rows)
    },
    /** Reads on, with decimal commas in these columns. */
    settle: (commas: readonly number[]) => {
      const { name, head, rows } = log
      if (!head) return
      const joined = rows.map((cells) => joinedCells(cells, head.headings.length, commas))
      begin(name, { ...head, commas }, joined)
    },
    choose: (column: FrameColumn) => {
      if (!log.head) return
      remember(log.head.headings, column)
      analyse(log.head, column, log.trim)
    },
    cut: (trim: Trim) => {
      if (log.head) analyse(log.head, log.column, trim)
    },
    cancel: () => {
      end()
      setLog(NOTHING)
    },
  }
}

function all(): Record<string, FrameColumn> {
  try {
    return JSON.parse(localStorage.getItem(KEY) ?? '{}')
  } catch {
    return {}
  }
}

const remembered = (headings: readonly string[]): FrameColumn | undefined =>
  all()[headings.join('\n')]

function remember(headings: readonly string[], column: FrameColumn): void {
  localStorage.setItem(KEY, JSON.stringify({ ...all(), [headings.join('\n')]: column }))
}
