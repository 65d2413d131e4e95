import type { Written } from '@tembrix/core/things/records'
import { sql } from 'drizzle-orm'
import type { Database, Transaction } from '../../base/database'

const CHANNEL = 'written'

/** Tells whoever listens of a write once its transaction is through; nobody hears of one that is not. */
export async function publishChange(tx: Transaction, written: Written): Promise<void> {
  await tx.execute(sql`select pg_notify(${CHANNEL}, ${JSON.stringify(written)})`)
}

/** Calls with each write, a `Written` as JSON; resolves with what ends it. */
export const listenForChanges = (
  db: Database,
  call: (written: string) => void,
): Promise<() => Promise<void>> => clientOf(db).listen(CHANNEL, call)

/** What the embedded database can do beside queries. */
interface Client {
  listen: (channel: string, call: (payload: string) => void) => Promise<() => Promise<void>>
}

const clientOf = (db: Database): Client => (db as unknown as { $client: Client }).$client
