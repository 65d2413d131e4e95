import { sql } from 'drizzle-orm'
import type { Database } from './open'

/** What searches and long lists go by, of which the database has to know how often what occurs. */
const SEARCHED = {
  jobs: sql`jobs(search_text, stage, last_write, customer_id, machine_id)`,
  customers: sql`customers(search_text, name)`,
  modules: sql`modules(search_text, source, supplier, job_id, fitted_job_id, first_write)`,
}

/**
 * Brings what the database knows of its long tables up to date: the embedded one does not do so by itself,
 * and reads far too much where it does not know. With 50,000 jobs half a second each.
 */
export async function analyzeTables(
  db: Database,
  tables = Object.keys(SEARCHED) as (keyof typeof SEARCHED)[],
): Promise<void> {
  for (const table of tables) await db.execute(sql`analyze ${SEARCHED[table]}`)
}

/** After the start, when nobody waits for the server any more, and how often then, ms. */
const FIRST = 10_000
const AGAIN = 24 * 60 * 60_000

/** Keeps statistics up to date until it is ended. */
export function analyzeDaily(db: Database): () => void {
  const keep = () => {
    analyzeTables(db).catch((error) =>
      console.error(`The statistics could not be brought up to date: ${error.message}`),
    )
  }
  const first = setTimeout(keep, FIRST)
  const again = setInterval(keep, AGAIN)
  first.unref()
  again.unref()
  return () => {
    clearTimeout(first)
    clearInterval(again)
  }
}
