import type { ActWrite, NewAct } from '@tembrix/core/things/records'
import { API, withWho } from './api'
import { type Entry, entriesOfAct, type Fields, nextEntry, type Outbox } from './outbox'
import { heldPicture } from './pictures'

/** What became of what the courier took to the server: a write, or all the writes of an act. */
export type Delivery =
  /** What is stored now, write by write; null for what is gone. */
  | { kind: 'sent'; answers: (Fields | null)[] }
  | { kind: 'unreachable' }
  /** The server is there, and its disk takes nothing. */
  | { kind: 'no-room' }
  /** A record has moved on. */
  | { kind: 'versionConflict' }
  /** The record of the write `at` is no longer there. */
  | { kind: 'gone'; at: number }
  /** The server failed on it, or would not take the write `at`. */
  | { kind: 'failed'; why: string }
  | { kind: 'refused'; at: number; why: string }

/** Answers of a server that is there but cannot take it now. */
const BUSY = [429, 502, 503, 504]

/** Takes a write to the server, or an act as one. */
const asWho: typeof fetch = (address, init) =>
  fetch(address, { ...init, headers: withWho(new Headers(init?.headers)) })

export async function deliver(
  entries: readonly [Entry, ...Entry[]],
  request: typeof fetch = asWho,
  pictureOf: (id: string) => Promise<Blob | undefined> = heldPicture,
): Promise<Delivery> {
  const [entry] = entries
  const isPhoto = entry.collection === 'photos' && entry.action === 'create'
  const picture = isPhoto ? await pictureOf(entry.recordId) : undefined
  if (isPhoto && !picture) {
    return { kind: 'refused', at: 0, why: 'Its picture is no longer in this browser.' }
  }
  const isAct = entry.act !== undefined
  let response: Response
  try {
    response = await (isAct
      ? request(`${API}/acts`, asJson('POST', actOf(entries)))
      : request(addressOf(entry), initOf(entry, picture)))
  } catch {
    return { kind: 'unreachable' }
  }
  const body = await bodyOf(response)
  if (response.ok) {
    return { kind: 'sent', answers: isAct ? (body?.records as (Fields | null)[]) : [body] }
  }
  if (BUSY.includes(response.status)) return { kind: 'unreachable' }
  if (response.status === 507) return { kind: 'no-room' }
  const error = body?.error as ServerError | undefined
  const fields = (error?.fields ?? []).map(placed)
  const said = fields.filter(({ path }) => path !== '').map(say)
  const why = error ? [error.message, ...said].join(' ') : `The server answered ${response.status}.`
  if (response.status >= 500) return { kind: 'failed', why }
  if (error?.code === 'stale_version') return { kind: 'versionConflict' }
  const at = isAct ? (fields[0]?.at ?? 0) : 0
  const action = entries[at]?.action
  if (response.status === 404 && !isAct && action === 'remove') {
    return { kind: 'sent', answers: [null] }
  }
  if (error?.code === 'not_found' && action !== 'create') return { kind: 'gone', at }
  return { kind: 'refused', at, why }
}

interface ServerError {
  code: string
  message: string
  fields?: { path: string; message: string }[]
}

/** The fault of a field with the write of an act that it is in: `writes.1.fields.name` is `name` of the second. */
function placed({ path, message }: { path: string; message: string }) {
  const [, at, rest = ''] = path.match(/^writes\.(\d+)(?:\.fields\.(.*))?$/) ?? []
  return at === undefined ? { at: 0, path, message } : { at: Number(at), path: rest, message }
}

const say = ({ path, message }: { path: string; message: string }) => `${path}: ${message}`

function addressOf({ action, collection, recordId, version, fields }: Entry): string {
  if (action === 'create' && collection === 'photos') {
    const about = { ...(fields as Record<string, string>), id: recordId }
    return `${API}/photos?${new URLSearchParams(about)}`
  }
  if (action === 'create') return `${API}/${collection}`
  const address = `${API}/${collection}/${recordId}`
  return action === 'remove' ? `${address}?version=${version}` : address
}

function initOf(
  { action, recordId, version, fields }: Entry,
  picture: Blob | undefined,
): RequestInit {
  if (picture) {
    return { method: 'POST', headers: { 'content-type': picture.type }, body: picture }
  }
  if (action === 'remove') return { method: 'DELETE' }
  return action === 'create'
    ? asJson('POST', { ...fields, id: recordId })
    : asJson('PATCH', { ...fields, version })
}

const asJson = (method: string, body: object): RequestInit => ({
  method,
  headers: { 'content-type': 'application/json' },
  body: JSON.stringify(body),
})

function actOf(entries: readonly [Entry, ...Entry[]]): NewAct {
  const writes = entries.map(({ action, collection, recordId: id, version, fields }): ActWrite => {
    if (action === 'create') return { action, collection, id, fields }
    if (action === 'change') return { action, collection, id, version, fields }
    return { action, collection, id, version }
  })
  return { id: entries[0].act?.id as string, writes }
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

/** After these it is tried again by itself, later and later. */
const AGAIN: readonly Delivery['kind'][] = ['unreachable', 'no-room', 'failed']

interface Courier {
  outbox: () => Outbox
  take: (entry: Entry) => void
  done: (entries: readonly Entry[], delivery: Delivery) => Promise<void>
}

/**
 * Takes the outbox to the server, one write or act at a time: a moment after the last change, so that what
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
    const entries = entriesOfAct(outbox().entries, entry) as [Entry, ...Entry[]]
    take(entry)
    const delivery = await deliver(entries)
    failures = AGAIN.includes(delivery.kind) ? failures + 1 : 0
    await done(entries, delivery)
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
