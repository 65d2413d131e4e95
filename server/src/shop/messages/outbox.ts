import { and, eq, inArray } from 'drizzle-orm'
import { type Database, messages } from '../../base/database'
import { change, listed, listenForChanges, messageKind, type RecordRow } from '../../things/store'
import type { Gateway } from './gateway'

type Message = RecordRow<typeof messages>

/** Between rounds while anything is under way, ms. */
const ROUND = 2000
/** How long the gateway is waited for, ms. */
const PATIENCE = 10_000
/** Messages of a round. */
const MOST = 50
/** The gateway is asked so often to take one; the second time after a while, then after twice that. */
const TRIES = 5
const FIRST_WAIT = 5000

/**
 * One round: what is queued and due goes to the gateway, and of what it has taken is asked what became of it.
 * Resolves with how many messages are still under way.
 */
export async function round(db: Database, gateway: Gateway, now = Date.now()): Promise<number> {
  const open = await underWay(db)
  for (const message of open) {
    const done =
      message.state === 'sent' ? await asked(gateway, message) : await handed(gateway, message, now)
    if (done) await written(db, message, done)
  }
  return (await underWay(db)).length
}

const underWay = async (db: Database): Promise<Message[]> => {
  const open = inArray(messages.state, ['queued', 'sent'])
  return (await listed(db, messageKind, open)).slice(0, MOST)
}

type Fields = Partial<Pick<Message, 'state' | 'tries' | 'reference' | 'sentAt' | 'endedAt' | 'why'>>

/** What a message becomes by being handed to the gateway; null where its next try is not due. */
async function handed(gateway: Gateway, message: Message, now: number): Promise<Fields | null> {
  const wait = message.tries === 0 ? 0 : FIRST_WAIT * 2 ** (message.tries - 1)
  if (now < Date.parse(message.updatedAt) + wait) return null
  const tries = message.tries + 1
  const at = new Date().toISOString()
  try {
    const { reference } = await gateway.send(message, AbortSignal.timeout(PATIENCE))
    return { state: 'sent', reference, tries, sentAt: at, why: '' }
  } catch (error) {
    const why = ((error as Error).message || 'The gateway does not answer.').slice(0, 200)
    return tries < TRIES ? { tries, why } : { tries, why, state: 'failed', endedAt: at }
  }
}

async function asked(gateway: Gateway, { reference }: Message): Promise<Fields | null> {
  try {
    const status = await gateway.status(reference, AbortSignal.timeout(PATIENCE))
    if (status.is === 'under way') return null
    const endedAt = new Date().toISOString()
    return status.is === 'bounced'
      ? { state: 'bounced', why: status.why, endedAt }
      : { state: 'delivered', endedAt }
  } catch {
    return null
  }
}

/** Writes what became of a message, unless somebody has changed it meanwhile. */
async function written(db: Database, { id, version }: Message, fields: Fields): Promise<void> {
  await db.transaction(async (tx) => {
    const [still] = await tx
      .select({ id: messages.id })
      .from(messages)
      .where(and(eq(messages.id, id), eq(messages.version, version)))
    if (still) await change(tx, messageKind, id, { version, ...fields })
  })
}

/** Sends what is written until it is stopped: at once when a message comes, in rounds while any is under way. */
export async function startOutbox(db: Database, gateway: Gateway): Promise<() => Promise<void>> {
  let timer: NodeJS.Timeout | null = null
  let running: Promise<void> | null = null
  let stopped = false

  function soon(ms: number): void {
    if (stopped || timer || running) return
    timer = setTimeout(() => {
      timer = null
      running = go().finally(() => {
        running = null
      })
    }, ms)
  }
  async function go(): Promise<void> {
    // A disk that takes nothing is no reason to stop for good.
    const left = await round(db, gateway).catch(() => 1)
    if (left > 0) setTimeout(() => soon(0), ROUND).unref()
  }

  const deaf = await listenForChanges(db, (written) => {
    const { record, action } = JSON.parse(written) as { record: string; action: string }
    if (record === 'message' && action !== 'removed') soon(0)
  })
  soon(0)
  return async () => {
    stopped = true
    if (timer) clearTimeout(timer)
    // A database that failed has nothing more to tell.
    await deaf().catch(() => {})
    await running
  }
}
