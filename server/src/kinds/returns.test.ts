import { expect, test } from 'vitest'
import { sampleStick } from '../../test/sample'
import { useServer } from '../../test/server'

const { get, post, patch } = useServer()
const by = { at: '2030-02-10T09:00:00.000Z', by: 'Mika' }

async function badPiece(serialNumber: string) {
  const piece = { source: 'shelf', supplier: 'Marrowby Parts', module: sampleStick, cost: 1700 }
  const { id } = (await post('/modules', { ...piece, serialNumber })).body
  await patch(`/modules/${id}`, { version: 1, bad: { ...by, why: 'errors' } })
  return id as string
}
const returnableNow = async () => (await get('/orders/returnable')).body as { pieceId: string }[]
const onShelf = async () => (await get('/modules?shop=1')).body as { id: string }[]
const lineOf = (pieceId: string) => ({
  id: crypto.randomUUID(),
  pieceId,
  arrivalId: null,
  text: '8 GB',
  serial: '',
  invoice: '',
  why: 'bad',
  credit: 1700,
})

test('a bad piece goes back: offered, in a return once, off the shelf when it is sent, credited', async () => {
  const piece = await badPiece('BAD-1')
  expect(await returnableNow()).toMatchObject([{ pieceId: piece, why: 'bad', credit: 1700 }])
  const made = await post('/returns', { supplier: 'Marrowby Parts', lines: [lineOf(piece)] })
  expect(made.body).toMatchObject({ number: 1, currency: 'EUR', sent: null, credited: null })
  expect(await returnableNow()).toEqual([])
  const again = await post('/returns', { supplier: 'Marrowby Parts', lines: [lineOf(piece)] })
  expect(again.body.error.fields).toEqual([
    { path: 'lines.0.pieceId', message: '8 GB is in return 1 already.' },
  ])

  const path = `/returns/${made.body.id}`
  const early = await patch(path, { version: 1, credited: { ...by, amount: 1700 } })
  expect(early).toMatchObject({ status: 409, body: { error: { code: 'returned' } } })
  expect((await onShelf()).map(({ id }) => id)).toContain(piece)
  expect((await patch(path, { version: 1, sent: by })).status).toBe(200)
  expect((await onShelf()).map(({ id }) => id)).not.toContain(piece)
  const done = await patch(path, { version: 2, credited: { ...by, amount: 1600 } })
  expect(done.body.credited).toEqual({ ...by, amount: 1600 })
  expect((await patch(path, { version: 3, note: 'x' })).status).toBe(409)
})

test('a piece that is not on the shelf is in no return', async () => {
  const article = { source: 'supplier', supplier: 'Marrowby Parts', module: sampleStick }
  const { id } = (await post('/modules', article)).body
  const { body } = await post('/returns', { supplier: 'Marrowby Parts', lines: [lineOf(id)] })
  expect(body.error.fields).toEqual([
    { path: 'lines.0.pieceId', message: '8 GB is not on the shelf.' },
  ])
})
