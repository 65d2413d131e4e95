import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import type { Module } from '../../things/model'
import type { Arriving, Confirmation, Order, OrderLine, Piece } from '../../things/records'
import {
  arrivals,
  cameFor,
  neededParts,
  orderedUnits,
  orderRefusal,
  orderState,
  orderSums,
  pieceOf,
  purchaseOrder,
  purchaseSheet,
  unitsOf,
} from '.'

const single: Module = {
  article: 'Q4-8',
  generation: 'DDR4',
  formFactor: 'SODIMM',
  buffering: 'unbuffered',
  ecc: false,
  capacityGiB: 8,
  ranks: 1,
  deviceWidth: 8,
  voltages: [1.2],
  speeds: [{ kind: 'standard', dataRate: 3200, cl: 22, trcd: 22, trp: 22, tras: 52 }],
  kit: null,
}
const kit: Module = { ...single, article: 'W4-2x8', kit: { id: 'W4-2x8', size: 2 } }
const at = '2030-02-10T09:00:00.000Z'

const line = (of: Partial<OrderLine> = {}): OrderLine => ({
  id: 'line-1',
  jobId: 'job-1',
  moduleId: 'offer-1',
  module: kit,
  purchases: [0],
  price: 9000,
  ...of,
})

const order = (of: Partial<Order> = {}): Order => ({
  id: '00000000-0000-4000-8000-000000000001',
  version: 1,
  createdAt: at,
  updatedAt: at,
  number: 7,
  supplier: 'Marrowby Parts',
  currency: 'EUR',
  lines: [line()],
  note: '',
  sent: { at, by: 'Mika' },
  confirmation: null,
  arrived: [],
  open: true,
  cancelled: null,
  ...of,
})

const confirms = (of: Partial<Confirmation['lines'][number]> = {}): Confirmation => ({
  at,
  reference: 'MP-1',
  lines: [{ lineId: 'line-1', times: 1, cost: 7201, dueOn: '2030-02-12', why: '', ...of }],
})

const piece = (id: string, of: Partial<Arriving> = {}): Arriving => ({
  id,
  lineId: 'line-1',
  serial: `SN-${id}`,
  invoice: 'D-1',
  warrantyUntil: null,
  wrong: '',
  ...of,
})

const come = (to: Order, pieces: readonly Arriving[]): Order => {
  let made = 0
  const arrived = arrivals(to, pieces, { at, by: 'Mika', newId: () => `piece-${++made}` })
  return { ...to, arrived: [...to.arrived, ...arrived] }
}

describe('what is needed', () => {
  const pieces = new Map<string, Piece>([
    ['offer-1', { id: 'offer-1', source: 'supplier', module: kit, price: 9000 }],
    ['offer-2', { id: 'offer-2', source: 'supplier', module: single, price: 4000 }],
    ['shelf-1', { id: 'shelf-1', source: 'shelf', module: single, price: 3000 }],
    ['own-1', { id: 'own-1', source: 'customer', module: single, price: null }],
  ])
  const unit = (moduleId: string, unit = 0) => ({ moduleId, unit })

  test('kits whole, what the shop and the customer have left out', () => {
    const placement = {
      A1: unit('offer-1', 0),
      A2: unit('offer-1', 3),
      B1: unit('shelf-1'),
      B2: unit('own-1'),
      C1: unit('offer-2', 1),
    }
    expect(neededParts(placement, pieces, [])).toEqual([
      { moduleId: 'offer-1', module: kit, purchases: [0, 1], price: 9000 },
      { moduleId: 'offer-2', module: single, purchases: [1], price: 4000 },
    ])
  })

  test('a kit of which one module is on order is not bought again', () => {
    const placement = { A1: unit('offer-1', 0), A2: unit('offer-1', 1) }
    expect(neededParts(placement, pieces, [unit('offer-1', 1)])).toEqual([])
    expect(neededParts(placement, pieces, [unit('offer-2', 0)])).toHaveLength(1)
  })

  test('what is ordered of what is needed leaves nothing needed', () => {
    const units = fc.uniqueArray(fc.integer({ min: 0, max: 15 }), { minLength: 1, maxLength: 8 })
    fc.assert(
      fc.property(units, (wanted) => {
        const placement = Object.fromEntries(
          wanted.map((n, slot) => [`S${slot}`, unit('offer-1', n)]),
        )
        const lines = neededParts(placement, pieces, []).map((one) =>
          line({ ...one, id: one.moduleId }),
        )
        const covered = orderedUnits(order({ lines }))
        expect(neededParts(placement, pieces, covered)).toEqual([])
        for (const n of wanted) expect(covered.map((one) => one.unit)).toContain(n)
      }),
    )
  })
})

describe('an order', () => {
  test('stands for the units of its purchases, two a kit', () => {
    expect(unitsOf(line({ purchases: [0, 2] }))).toEqual([0, 1, 4, 5])
    expect(orderedUnits(order()).map(({ unit, pieceId, dueOn }) => [unit, pieceId, dueOn])).toEqual(
      [
        [0, null, null],
        [1, null, null],
      ],
    )
  })

  test('gives back what the supplier does not send, and keeps what came when it is cancelled', () => {
    const two = order({ lines: [line({ purchases: [0, 1] })], confirmation: confirms() })
    expect(orderedUnits(two).map(({ unit }) => unit)).toEqual([0, 1])
    const came = come(order(), [piece('a')])
    const cancelled = { ...came, cancelled: { at, by: 'Mika', why: 'Found on the shelf' } }
    expect(orderedUnits(cancelled)).toMatchObject([{ unit: 0, pieceId: 'piece-1' }])
  })

  test.each([
    ['draft', { sent: null }, []],
    ['sent', {}, []],
    ['confirmed', { confirmation: confirms() }, []],
    ['late', { confirmation: confirms({ dueOn: '2030-02-09' }) }, []],
    ['part', { confirmation: confirms() }, [piece('a')]],
    ['part', {}, [piece('a')]],
    ['delivered', { confirmation: confirms() }, [piece('a'), piece('b')]],
    ['refused', { confirmation: confirms({ times: 0 }) }, []],
    ['confirmed', { confirmation: confirms() }, [piece('a', { wrong: 'Q4-4' })]],
    ['cancelled', { cancelled: { at, by: '', why: 'x' } }, []],
  ] as const)('is %s', (state, of, pieces) => {
    expect(orderState(come(order(of), pieces), '2030-02-10')).toBe(state)
  })

  test('costs what is confirmed, beside what customers pay; nothing is made up where a figure is missing', () => {
    const lines = [line({ purchases: [0, 1] }), line({ id: 'line-2', price: null })]
    const [first] = confirms({ times: 2 }).lines
    const both = { ...confirms(), lines: [first, { ...first, lineId: 'line-2', times: 0 }] }
    const confirmation = both as Confirmation
    expect(orderSums(order({ lines, confirmation }))).toEqual({ cost: 14402, price: 18000 })
    expect(orderSums(order({ lines }))).toEqual({ cost: null, price: null })
  })
})

describe('what comes', () => {
  test('is for the first units that wait; noted twice, it came once; a wrong part is for none', () => {
    const once = come(order(), [piece('a'), piece('w', { wrong: 'Q4-4' }), piece('b')])
    expect(once.arrived.map(({ unit }) => unit)).toEqual([0, null, 1])
    expect(come(once, [piece('a')]).arrived).toHaveLength(3)
  })

  test('is a piece of a kit of its own, at its share of price and cost', () => {
    const ordered = order({ confirmation: confirms() })
    const made = pieceOf(ordered, line({ purchases: [0, 1] }), { ...piece('a'), unit: 3 })
    expect(made).toMatchObject({ price: 4500, cost: 3601, condition: 'new', invoice: 'D-1' })
    expect(made.module.kit).toEqual({ id: 'W4-2x8 7-2', size: 2 })
    expect(
      pieceOf(order(), line({ module: single, price: null }), { ...piece('a'), unit: 0 }),
    ).toMatchObject({
      price: null,
      cost: null,
      module: { kit: null },
    })
  })

  test('is found by the unit it stands for', () => {
    const orderedFor = { jobId: 'job-1', moduleId: 'offer-1', unit: 1 }
    const pieces = [{ orderedFor: null }, { orderedFor }]
    expect(cameFor(pieces, 'job-1', { moduleId: 'offer-1', unit: 1 })).toBe(pieces[1])
    expect(cameFor(pieces, 'job-1', { moduleId: 'offer-1', unit: 0 })).toBeUndefined()
    expect(cameFor(pieces, 'job-2', { moduleId: 'offer-1', unit: 1 })).toBeUndefined()
  })
})

describe('refused', () => {
  const sent = { at, by: 'Mika' }
  test.each([
    ['sending twice', order(), { sent }, 'sent', null],
    ['sending nothing', order({ sent: null, lines: [] }), { sent }, 'line', 'lines'],
    ['other lines once sent', order(), { lines: [] }, 'sent', null],
    ['confirming a draft', order({ sent: null }), { confirmation: confirms() }, 'not_sent', null],
    [
      'confirming twice',
      order({ confirmation: confirms() }),
      { confirmation: confirms() },
      'confirmed',
      null,
    ],
    [
      'confirming more',
      order(),
      { confirmation: confirms({ times: 2 }) },
      'more_than_ordered',
      'confirmation.lines.0.times',
    ],
    [
      'confirming another line',
      order(),
      { confirmation: confirms({ lineId: 'line-9' }) },
      'line',
      'confirmation.lines.0.lineId',
    ],
    [
      'a third of two',
      order(),
      { arriving: ['a', 'b', 'c'].map((id) => piece(id)) },
      'more_than_ordered',
      'arriving.2.serial',
    ],
    [
      'one serial twice',
      order(),
      { arriving: [piece('a'), piece('b', { serial: 'sn-A' })] },
      'twice',
      'arriving.1.serial',
    ],
    [
      'what was refused',
      order({ confirmation: confirms({ times: 0 }) }),
      { arriving: [piece('a')] },
      'more_than_ordered',
      'arriving.0.serial',
    ],
    [
      'what came before it was sent',
      order({ sent: null }),
      { arriving: [piece('a')] },
      'not_sent',
      null,
    ],
    ['a piece that did not come', order(), { takenBack: ['z'] }, 'line', 'takenBack.0'],
    [
      'cancelling what is here',
      come(order(), [piece('a'), piece('b')]),
      { cancelled: { ...sent, why: 'x' } },
      'delivered',
      null,
    ],
    [
      'work on a cancelled one',
      order({ cancelled: { ...sent, why: 'x' } }),
      { confirmation: confirms() },
      'cancelled',
      null,
    ],
  ] as const)('%s', (_, to, patch, code, field) => {
    expect(orderRefusal(to, patch as never)).toMatchObject({ code, field })
  })

  test('not: a wrong part beyond the order, a piece sent again, what comes though the rest is cancelled', () => {
    const full = come(order(), [piece('a'), piece('b')])
    expect(orderRefusal(full, { arriving: [piece('c', { wrong: 'Q4-4' })] })).toBeNull()
    expect(orderRefusal(full, { arriving: [piece('a')] })).toBeNull()
    const cancelled = order({ cancelled: { ...sent, why: 'x' } })
    expect(orderRefusal(cancelled, { arriving: [piece('a')] })).toBeNull()
  })
})

test('the file of an order names parts, and nobody’s customers; no cell of it runs', () => {
  const sheet = purchaseOrder(
    order({
      lines: [line({ purchases: [0, 2] }), line({ module: { ...single, article: '=1+1' } })],
    }),
    { shopName: 'Tandem Lane Repairs', address: 'Tandem Lane 4' },
    '2030-02-10',
  )
  expect(sheet.lines).toMatchObject([
    { partNumber: 'W4-2x8', quantity: 2, piecesEach: 2 },
    { partNumber: '=1+1', quantity: 1, piecesEach: 1 },
  ])
  const [head, first, second] = purchaseSheet(sheet).split('\r\n')
  expect(head).toBe('order,date,part number,description,quantity,pieces each')
  expect(first).toBe('7,2030-02-10,W4-2x8,"8 GB DDR4 SODIMM, kit of 2",2,2')
  expect(second).toContain("'=1+1")
})
