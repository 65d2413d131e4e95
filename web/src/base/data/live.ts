import {
  JOB_LISTS,
  type JobFile,
  type JobList,
  KIND_INFO,
  type RecordKind,
  type Written,
} from '@tembrix/core/things/records'
import { API, type Tag } from './api'

const CHANNEL = 'tembrix.changes'
/** A write of this tab is answered sooner than this, ms; what is known then needs no reading. */
const PAUSE = 300
/** Between tries to hear news again, ms. */
const RETRY = 3000

type Heard = { kind: 'written'; written: Written } | { kind: 'again' } | { kind: 'away' }

/** What is open in this tab, and how it is read again. */
export interface Open {
  jobs: () => JobFile[]
  readJob: (id: string) => void
  readLists: (tags: Tag[]) => void
  readAll: () => void
  /** Whether the server is there, as far as news of it says. */
  heard: (there: boolean) => void
}

/**
 * Follows what other screens write, and reads again what is open here and has moved on. One tab of the
 * browser listens for all of them, since a browser keeps few connections to one server.
 */
export function followChanges(open: Open): void {
  const channel = new BroadcastChannel(CHANNEL)
  let due: Written[] = []

  function hear(heard: Heard): void {
    if (heard.kind === 'away') {
      open.heard(false)
      return
    }
    if (heard.kind === 'again') {
      open.heard(true)
      open.readAll()
      return
    }
    if (due.length === 0) {
      setTimeout(() => {
        const all = due
        due = []
        takeIn(open, all)
      }, PAUSE)
    }
    due.push(heard.written)
  }

  channel.onmessage = ({ data }: MessageEvent<Heard>) => hear(data)
  const tell = (heard: Heard) => {
    hear(heard)
    channel.postMessage(heard)
  }
  // Held until the tab closes; then another takes it over.
  void navigator.locks.request(CHANNEL, () => {
    listen(tell)
    return new Promise(() => {})
  })
}

/** Tells what the server says of writes; where news breaks off, whether the server is there, and of its return. */
function listen(tell: (heard: Heard) => void, lost = false): void {
  const source = new EventSource(`${API}/changes`)
  let broken = lost
  source.onmessage = ({ data }) => tell({ kind: 'written', written: JSON.parse(data) })
  source.onerror = async () => {
    broken = true
    // A browser tries again by itself, but not where it was answered otherwise.
    const isOver = source.readyState === EventSource.CLOSED
    if (!(await isThere())) tell({ kind: 'away' })
    if (isOver) setTimeout(() => listen(tell, true), RETRY)
  }
  source.onopen = () => {
    // What was written while nobody listened is not told.
    if (broken) tell({ kind: 'again' })
    broken = false
  }
}

/** News may break off while everything else goes well. */
async function isThere(): Promise<boolean> {
  try {
    const response = await fetch(`${API}/health`)
    // An answer that nobody reads holds its connection, since none is kept in a cache.
    await response.text()
    return response.ok
  } catch {
    return false
  }
}

/** The lists that show a record of this kind, beside a job's own. */
const SHOWN_IN = new Map<RecordKind, readonly Tag[]>([
  ...Object.values(KIND_INFO).map(({ record, shownIn }) => [record, shownIn] as const),
  ['list', ['lists']],
  ['shop', ['shop']],
  ['price-list', ['priceLists', 'shopModules']],
])

/** Reads again what is older than what was written; each job and each list once. */
function takeIn(open: Open, all: readonly Written[]): void {
  for (const file of open.jobs()) {
    const isOlder = all.some((written) => (versionIn(file, written) ?? Infinity) < written.version)
    // Of like machines, those that follow the first show its quotes and how many there are.
    const follows = all.some(
      ({ jobId, record }) => jobId !== null && jobId === file.lead?.id && LED.has(record),
    )
    if (isOlder || follows) open.readJob(file.id)
  }
  // A module of a job is no piece of the shop.
  const shops = all.filter(({ record, jobId }) => record !== 'module' || jobId === null)
  const tags = new Set(shops.flatMap(({ record }) => SHOWN_IN.get(record) ?? []))
  if (tags.size > 0) open.readLists([...tags])
}

const LED: ReadonlySet<RecordKind> = new Set(['job', 'quote'])

const LISTS = new Map<RecordKind, JobList>(JOB_LISTS.map((list) => [KIND_INFO[list].record, list]))

/**
 * The version of a written record that an open job holds: 0 where it should hold it and does not yet, or
 * still holds what was removed; undefined where it is none of the job’s, or gone here too.
 */
export function versionIn(
  file: JobFile,
  { record, recordId, action, jobId }: Pick<Written, 'record' | 'recordId' | 'action' | 'jobId'>,
): number | undefined {
  const one = { job: file, customer: file.customer, machine: file.machine }[record as 'job']
  if (one) return one.id === recordId ? one.version : undefined
  const list = LISTS.get(record)
  if (!list) return undefined
  const own = (file[list] as { id: string; version: number }[]).find(({ id }) => id === recordId)
  if (action === 'removed') return own ? 0 : undefined
  return own ? own.version : jobId === file.id ? 0 : undefined
}
