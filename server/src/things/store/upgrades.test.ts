import { STARTING_CAUSES } from '@tembrix/core/bench/diagnose'
import { shapeOf } from '@tembrix/core/things/records'
import { eq } from 'drizzle-orm'
import { expect, test } from 'vitest'
import { newJobBody } from '../../../test/sample'
import { useServer } from '../../../test/server'
import { jobs, shops } from '../../base/database'

const { get, post, patch, db } = useServer()

test('a record of an older shape is read in today’s, and written so with its next change', async () => {
  const { id } = (await get('/shop')).body
  const { setup: _, ...before } = { ...STARTING_CAUSES, seat: 44 }
  await db()
    .update(shops)
    .set({ causes: before as typeof STARTING_CAUSES, shape: 0 })
    .where(eq(shops.id, id))
  const read = (await get('/shop')).body
  expect(read.causes).toEqual({ ...STARTING_CAUSES, seat: 44 })

  const stored = async () => (await db().select().from(shops))[0]
  expect((await stored())?.causes).toEqual(before)
  const { status } = await patch('/shop', { version: read.version, policy: 'capacity' })
  expect(status).toBe(200)
  expect(await stored()).toMatchObject({
    causes: { ...STARTING_CAUSES, seat: 44 },
    shape: shapeOf('shop'),
  })
})

test('a record that is of no shape is said to be damaged, and where', async () => {
  const { id } = (await post('/jobs', newJobBody)).body
  await db()
    .update(jobs)
    .set({ found: [] as never })
    .where(eq(jobs.id, id))
  const { status, body } = await get(`/jobs/${id}`)
  expect(status).toBe(500)
  expect(body.error).toMatchObject({ code: 'damaged' })
  expect(body.error.message).toContain(`The job ${id} is damaged. found`)
})
