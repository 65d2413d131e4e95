import { sql } from 'drizzle-orm'
import { expect, test } from 'vitest'
import { sampleStick } from '../../../test/sample'
import { useServer } from '../../../test/server'
import { vacuumTables } from '.'

const { db, post } = useServer()

test('what is written over again and again takes no more room than once', async () => {
  for (const article of ['a', 'b', 'c'])
    await post('/modules', { source: 'shelf', module: { ...sampleStick, article } })
  /** Writes every row over hundreds of times, with its place in the indexes. */
  const writeOver = async () => {
    for (let time = 0; time < 300; time += 1) {
      await db().execute(sql`update modules set first_write = nextval('writes')`)
    }
    await vacuumTables(db())
    const { rows } = await db().execute<{ bytes: number }>(
      sql`select pg_total_relation_size('modules')::int as bytes`,
    )
    return rows[0]?.bytes
  }
  await writeOver()
  const once = await writeOver()
  await writeOver()
  expect(await writeOver()).toBe(once)
})
