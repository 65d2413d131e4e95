import { STARTING_USES } from '@tembrix/core/judging/sizing'
import { Shop } from '@tembrix/core/things/records'
import { expect, test } from 'vitest'
import { useServer } from '../../../test/server'

const { get, patch } = useServer()

test('a new shop has the rules of thumb, and edits them under their version', async () => {
  const [first, again] = await Promise.all([get('/shop'), get('/shop')])
  expect(Shop.parse(first.body)).toMatchObject({ uses: STARTING_USES, policy: 'balanced' })
  expect(again.body).toEqual(first.body)

  const uses = { ...STARTING_USES, systemGiB: 4 }
  const changed = await patch('/shop', { version: 1, uses, policy: 'matched' })
  expect(changed.body).toMatchObject({ version: 2, policy: 'matched', uses: { systemGiB: 4 } })
  expect((await patch('/shop', { version: 1, policy: 'capacity' })).status).toBe(409)
  expect((await get('/shop')).body).toEqual(changed.body)
})

test('a table that cannot be is refused where it is wrong', async () => {
  const [first, ...rest] = STARTING_USES.uses
  const uses = { ...STARTING_USES, uses: [{ ...first, usual: 9, heavy: 2 }, ...rest] }
  const { status, body } = await patch('/shop', { version: 1, uses })
  expect(status).toBe(400)
  expect(body.error.fields).toEqual([
    { path: 'uses.uses.0.heavy', message: 'Heavier use cannot want less.' },
  ])
})
