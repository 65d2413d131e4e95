import { expect, test } from 'vitest'
import { creditExpected, returnable, returnRefusal } from '.'

type Shelf = Parameters<typeof returnable>[0][number]
type Orders = Parameters<typeof returnable>[1]

const piece = (of: Partial<Shelf> = {}): Shelf =>
  ({
    id: 'p',
    source: 'shelf',
    module: { article: 'Q4-8', capacityGiB: 8 },
    serialNumber: 'S-1',
    invoice: 'D-1',
    supplier: 'Marrowby Parts',
    cost: 1700,
    condition: 'new',
    bad: null,
    keptFor: null,
    orderedFor: null,
    ...of,
  }) as Shelf
const bad = { at: '', by: '', why: '' }
const orderedFor = { jobId: 'j', moduleId: 'm', unit: 0 }
const orders = [
  {
    supplier: 'Ferrel & Sons',
    lines: [],
    confirmation: null,
    arrived: [
      { id: 'a1', wrong: 'Q4-4', serial: 'W-1', invoice: 'D-2' },
      { id: 'a2', wrong: '', serial: 'R-1', invoice: 'D-2' },
    ],
  },
] as unknown as Orders

test('bad, surplus and wrong parts can go back, each to whom it came from, for what it cost', () => {
  const surplus = piece({ id: 's', orderedFor, serialNumber: 'S-2' })
  expect(returnable([piece({ bad }), surplus], orders, [])).toMatchObject([
    { supplier: 'Marrowby Parts', pieceId: 'p', why: 'bad', credit: 1700, serial: 'S-1' },
    { supplier: 'Marrowby Parts', pieceId: 's', why: 'surplus', text: 'Q4-8, 8 GB' },
    { supplier: 'Ferrel & Sons', arrivalId: 'a1', why: 'wrong', text: 'Q4-4', credit: null },
  ])
})

test.each([
  ['it lies there for anybody', piece()],
  ['it is kept for a job', piece({ orderedFor, keptFor: { jobId: 'j', number: 1 } })],
  ['it was used', piece({ orderedFor, condition: 'used' })],
  ['nobody knows whom it came from', piece({ bad, supplier: '' })],
  ['a supplier sells it', piece({ bad, source: 'supplier' })],
])('a piece stays: %s', (_, one) => {
  expect(returnable([one], [], [])).toEqual([])
})

test('what a return has already is not offered again', () => {
  const lines = [
    { pieceId: 'p', arrivalId: null },
    { pieceId: null, arrivalId: 'a1' },
  ]
  expect(returnable([piece({ bad })], orders, [{ lines } as never])).toEqual([])
})

test('the credit expected is the sum of what is known', () => {
  const lines = [{ credit: 1700 }, { credit: null }, { credit: 300 }] as never
  expect(creditExpected({ lines })).toEqual({ amount: 2000, unknown: 1 })
})

test('a return is sent with something in it, then credited, then stays', () => {
  const by = { at: '', by: '' }
  const one = { sent: null, credited: null, lines: [{}] as never }
  expect(returnRefusal(one, { sent: by })).toBeNull()
  expect(returnRefusal({ ...one, lines: [] }, { sent: by })).toContain('nothing to send')
  expect(returnRefusal(one, { credited: { ...by, amount: 1 } })).toContain('sent before')
  const sent = { ...one, sent: by }
  expect(returnRefusal(sent, { lines: [] })).toContain('lines stay')
  expect(returnRefusal(sent, { reference: 'R-9' })).toBeNull()
  expect(returnRefusal(sent, { credited: { ...by, amount: 1700 } })).toBeNull()
  expect(returnRefusal({ ...sent, credited: { ...by, amount: 1 } }, { note: 'x' })).toContain(
    'stays',
  )
})
