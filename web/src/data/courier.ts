import { API } from './api'
import { type Entry, type Fields, nextEntry, type Outbox } from './outbox'

/** What became of a write the courier took to the server. */
export type Delivery =
  | { kind: 'sent'; answer: Fields | null }
  | { kind: 'unreachable' }
  /** Its record has moved on, or is no longer there. */
  | { kind: 'stale' }
  | { kind: 'gone' }
  /** The server failed on it, or would not take it. */
  | { kind: 'failed'; why: string }
  | { kind: 'refused'; why: string }

/** Answers of a server that is there but cannot take it now. */
const BUSY = [429, 502, 503, 504]

export async function deliver(entry: Entry, request: typeof fetch = fetch): Promise<Delivery> {
  let response: Response
  try {
    response = await request(addressOf(entry), initOf(entry))
  } catch {
    return { kind: 'unreachable' }
  }
  if (response.ok) return { kind: 'sent', answer: await bodyOf(response) }
  if (BUSY.includes(response.status)) return { kind: 'unreachable' }
  const error = (await bodyOf(response))?.error as ServerError | undefined
  const why = error
    ? [error.message, ...(error.fields ?? []).map(say)].join(' ')
    : `The server answered ${response.status}.`
  if (response.status >= 500) return { kind: 'failed', why }
  if (error?.code === 'stale_version') return { kind: 'stale' }
  if (response.status === 404 && entry.action === 'remove') return { kind: 'sent', answer: null }
  if (response.status === 404 && entry.action === 'change') return { kind: 'gone' }
  return { kind: 'refused', why }
}

interface ServerError {
  code: string
  message: string
  fields?: { path: string; message: string }[]
}

const say = ({ path, message }: { path: string; message: string }) => `${path}: ${message}`

function addressOf({ action, collection, recordId, version }: Entry): string {
  if (action === 'create') return `${API}/${collection}`
  const address = `${API}/${collection}/${recordId}`
  return action === 'remove' ? `${address}?version=${version}` : address
}

function initOf({ action, recordId, version, fields }: Entry): RequestInit {
  if (action === 'remove') return { method: 'DELETE' }
  const own = action === 'create' ? { id: recordId } : { version }
  return {
    method: action === 'create' ? 'POST' : 'PATCH',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ ...fields, ...own }),
  }
}

async function bodyOf(response: Response): Promise<Fields | null> {
  try {
    return await response.json()
  } catch {
    return null
  }
}

const PAUSE = 300
const RETRIES = [1000, 2000, 4000, 8000]

interface Courier {
  outbox: () => Outbox
  take: (entry: Entry) => void
  done: (entry: Entry, delivery: Delivery) => Promise<void>
}

/**
 * Takes the outbox to the server, one write at a time: a moment after the last change, so that what
 * is being typed goes as one, and again and again while the server is away.
 * Returns what to call whenever the outbox or the connection may have changed.
 */
export function startCourier({ outbox, take, done }: Courier): (now?: boolean) => void {
  let timer: ReturnType<typeof setTimeout> | undefined
  let busy = false
  let failures = 0

  async function run(): Promise<void> {
    const entry = nextEntry(outbox())
    if (busy || !entry) return
    busy = true
    take(entry)
    const delivery = await deliver(entry)
    failures = delivery.kind === 'unreachable' || delivery.kind === 'failed' ? failures + 1 : 0
    await done(entry, delivery)
    busy = false
    wake(failures === 0)
  }

  function wake(now = false): void {
    if (busy || !nextEntry(outbox())) return
    const retry = RETRIES[Math.min(failures, RETRIES.length) - 1]
    if (!now && failures > 0 && timer !== undefined) return
    clearTimeout(timer)
    timer = setTimeout(
      () => {
        timer = undefined
        run()
      },
      now ? 0 : (retry ?? PAUSE),
    )
  }
  return wake
}
