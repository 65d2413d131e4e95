import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { desktop, slot, stick } from '../../../test/builders'
import type { ProofStanding } from '../../bench/diagnose'
import {
  type Assignment,
  type Fit,
  type ModuleRecord,
  NOT_HANDED_OVER,
  piecesById,
  UNKNOWN_PIECE,
} from '../../things/records'
import { situationOf } from '../job'
import {
  claimable,
  daysAfter,
  figuresGone,
  filledIn,
  handoverRefusal,
  monthsAfter,
  monthsFor,
  newVisit,
  nextUpgrades,
  openPointsOf,
  partOf,
  partsFitted,
  partsRemoved,
  standsBy,
  termFrom,
  unpaid,
  withoutReason,
} from '.'
import { isAsAgreed } from './asAgreed'

const ID = (at: number) => `00000000-0000-4000-8000-00000000000${at}`
const piece = (at: number, of: Partial<ModuleRecord>): ModuleRecord => ({
  ...UNKNOWN_PIECE,
  id: ID(at),
  version: 1,
  createdAt: '',
  updatedAt: '',
  jobId: null,
  source: 'shelf',
  module: stick(),
  ...of,
})
const at = (...slots: [string, number, number?][]): Assignment =>
  Object.fromEntries(slots.map(([id, piece, unit = 0]) => [id, { moduleId: ID(piece), unit }]))

describe('warranty', () => {
  test.each([
    ['2026-11-26', 24, '2028-11-26'],
    ['2026-01-31', 1, '2026-02-28'],
    ['2027-12-31', 2, '2028-02-29'],
    ['2099-12-31', 2, '2100-02-28'],
    ['2026-08-31', 1, '2026-09-30'],
    ['2026-05-05', 0, '2026-05-05'],
  ])('from %s, %i months later it is %s', (day, months, until) => {
    expect(monthsAfter(day, months)).toBe(until)
  })

  test('later is never earlier, and a year is twelve months', () => {
    const day = fc.record({
      y: fc.integer({ min: 1990, max: 2200 }),
      m: fc.integer({ min: 1, max: 12 }),
      d: fc.integer({ min: 1, max: 28 }),
    })
    fc.assert(
      fc.property(day, fc.nat(120), fc.nat(120), ({ y, m, d }, a, b) => {
        const two = (part: number) => String(part).padStart(2, '0')
        const from = `${y}-${two(m)}-${two(d)}`
        expect(monthsAfter(monthsAfter(from, a), b)).toBe(monthsAfter(from, a + b))
        expect(monthsAfter(from, 12)).toBe(`${y + 1}${from.slice(4)}`)
      }),
    )
  })

  test.each([
    ['2026-12-02', 7, '2026-12-09'],
    ['2026-12-28', 7, '2027-01-04'],
    ['2028-02-25', 7, '2028-03-03'],
    ['2026-01-31', 0, '2026-01-31'],
    ['2026-01-01', 365, '2027-01-01'],
  ])('from %s, %i days later it is %s', (day, days, until) => {
    expect(daysAfter(day, days)).toBe(until)
  })

  test('is the shop’s for what it sold, and nobody’s where it says nothing', () => {
    const terms = { newParts: 24, usedParts: 0, work: null }
    expect(monthsFor('new', terms)).toBe(24)
    expect(monthsFor('used', terms)).toBe(0)
    expect([monthsFor('own', terms), monthsFor('stayed', terms), monthsFor(null, terms)]).toEqual([
      null,
      null,
      null,
    ])
    expect(termFrom('2026-01-31', null)).toBeNull()
    expect(termFrom('2026-01-31', 1)).toEqual({
      months: 1,
      from: '2026-01-31',
      until: '2026-02-28',
    })
  })
})

const machine = desktop({
  slots: [
    slot('A1', 'A', { order: 3 }),
    slot('A2', 'A', { order: 1 }),
    slot('B1', 'B', { order: 4 }),
    slot('B2', 'B', { order: 2 }),
  ],
})
const pieces = piecesById([
  piece(1, { source: 'customer', serialNumber: 'OLD-1' }),
  piece(2, { condition: 'used', serialNumber: 'SHELF-2', warrantyUntil: '2027-03-01' }),
  piece(3, { source: 'supplier', serialNumber: 'of no one piece', warrantyUntil: '2030-01-01' }),
])
const PLAIN = { profile: false, manual: null }
const now = situationOf(machine, at(['A2', 1]), pieces, PLAIN)
const planned = situationOf(machine, at(['A2', 2], ['B2', 3, 0], ['B1', 3, 1]), pieces, PLAIN)

describe('parts', () => {
  test('each with its serial number as noted at the bench, else its own; a supplier’s article has none', () => {
    const fit = { serials: { [`${ID(3)} 1`]: 'NEW-31' }, removed: {} }
    const rows = partsFitted({ jobId: ID(8), now, planned, pieces, fit }).map(
      ({ slot, state, serial, makerUntil }) => [slot, state, serial, makerUntil],
    )
    expect(rows).toEqual([
      ['A2', 'used', 'SHELF-2', '2027-03-01'],
      ['B1', 'new', 'NEW-31', null],
      ['B2', 'new', '', null],
    ])
    const kept = partsFitted({ jobId: ID(8), now, planned: now, pieces, fit: undefined })
    expect(kept).toMatchObject([{ slot: 'A2', state: 'stayed', serial: 'OLD-1' }])
  })

  test('what was ordered for the job has the serial number and the warranty it came with', () => {
    const orderedFor = { jobId: ID(8), moduleId: ID(3), unit: 1 }
    const came = piece(5, { serialNumber: 'CAME-5', warrantyUntil: '2031-05-01', orderedFor })
    const with5 = new Map([...pieces, ...piecesById([came])])
    const serials = (jobId: string) =>
      partsFitted({ jobId, now, planned, pieces: with5, fit: undefined }).map(
        ({ serial, makerUntil }) => [serial, makerUntil],
      )
    expect(serials(ID(8))[1]).toEqual(['CAME-5', '2031-05-01'])
    expect(serials(ID(7))[1]).toEqual(['', null])
  })

  test('what came out goes where somebody said', () => {
    const out = (removed: Fit['removed']) =>
      partsRemoved({ jobId: ID(8), now, planned, pieces, fit: { serials: {}, removed } }).map(
        ({ serial, to }) => [serial, to],
      )
    expect(out({})).toEqual([['OLD-1', null]])
    expect(out({ [ID(1)]: { to: 'recycling', shelfId: ID(9), price: null } })).toEqual([
      ['OLD-1', 'recycling'],
    ])
  })
})

describe('as agreed', () => {
  const option = { placement: at(['A2', 2], ['B2', 3, 0], ['B1', 3, 1]), profile: false }
  const isAgreed = (changes: Partial<typeof option>, known = pieces) =>
    isAsAgreed({ ...option, ...changes }, machine, planned, known)

  test('the modules and the profile of the option agreed to, whichever piece it is', () => {
    expect(isAgreed({})).toBe(true)
    expect(isAgreed({ profile: true })).toBe(false)
    const alike = piecesById([...pieces.values(), piece(6, {})] as ModuleRecord[])
    expect(isAgreed({ placement: at(['A2', 6], ['B2', 6, 0], ['B1', 6, 1]) }, alike)).toBe(true)
    const larger = piecesById([
      ...pieces.values(),
      piece(6, { module: stick({ capacityGiB: 16 }) }),
    ] as ModuleRecord[])
    expect(isAgreed({ placement: at(['A2', 6], ['B2', 3, 0], ['B1', 3, 1]) }, larger)).toBe(false)
    expect(isAgreed({ placement: at(['A2', 2]) })).toBe(false)
  })

  test('no difference is claimed where a module agreed to is not known any more', () => {
    expect(isAgreed({ placement: at(['A2', 9]) })).toBe(true)
  })
})

describe('the next step', () => {
  const filled = (
    gib: number,
    slots: readonly string[],
    limits: Partial<typeof machine.limits>,
  ) => {
    const one = { ...machine, limits: { ...machine.limits, ...limits } }
    const held = piecesById(
      slots.map((_, index) => piece(index + 1, { module: stick({ capacityGiB: gib }) })),
    )
    const where = at(...slots.map((id, index): [string, number] => [id, index + 1]))
    return nextUpgrades(one, situationOf(one, where, held, PLAIN))
  }
  const ALL = ['A1', 'A2', 'B1', 'B2']

  test.each([
    [
      'free slots, up to what they take',
      16,
      ['A2', 'B2'],
      { totalGiB: 128, slotGiB: 32 },
      { code: 'FREE_SLOTS', slots: ['A1', 'B1'], upToGiB: 96 },
    ],
    [
      'free slots, up to the machine’s limit',
      16,
      ['A2', 'B2'],
      { totalGiB: 64, slotGiB: 32 },
      { code: 'FREE_SLOTS', slots: ['A1', 'B1'], upToGiB: 64 },
    ],
    [
      'the limit is reached, though slots are free',
      32,
      ['A2', 'B2'],
      { totalGiB: 64, slotGiB: 32 },
      { code: 'LIMIT_REACHED', totalGiB: 64 },
    ],
    [
      'larger modules',
      8,
      ALL,
      { totalGiB: 128, slotGiB: 32 },
      { code: 'REPLACE', slots: ALL, upToGiB: 128 },
    ],
    [
      'neither a slot nor larger modules',
      8,
      ALL,
      { totalGiB: 128, slotGiB: 8 },
      { code: 'NO_FREE_SLOT' },
    ],
  ] as const)('%s', (_, gib, slots, limits, first) => {
    expect(filled(gib, slots, limits)[0]).toEqual(first)
  })

  test('a system that uses no more is said beside it; soldered memory alone has no next step', () => {
    expect(filled(8, ['A2'], { totalGiB: 64, slotGiB: 32, osGiB: 4 })[1]).toEqual({
      code: 'SYSTEM_LIMIT',
      osGiB: 4,
    })
    const soldered = desktop({ slots: [], soldered: [{ channel: 'A', module: stick() }] })
    expect(nextUpgrades(soldered, situationOf(soldered, {}, new Map(), PLAIN))).toEqual([
      { code: 'SOLDERED' },
    ])
  })
})

describe('open points', () => {
  const closed = {
    changed: true,
    fitted: true,
    standing: { kind: 'verified' as const, wrong: false, errors: false, missing: [] },
    tested: { passes: 3, planned: 3, hours: 4, rule: 4 },
    losses: [],
    approved: true,
    asAgreed: true,
    unpaid: 0,
    removed: [],
    accessories: [],
    returned: [],
  }
  const standing = (changes: Partial<ProofStanding>): ProofStanding => ({
    ...closed.standing,
    ...changes,
  })
  const codes = (of: Partial<Parameters<typeof openPointsOf>[0]>) =>
    openPointsOf({ ...closed, ...of }).map(({ code }) => code)

  test.each([
    ['nothing', {}, []],
    [
      'nothing was planned, so nothing has to be fitted',
      { changed: false, fitted: false, standing: null, approved: false },
      [],
    ],
    ['planned and not fitted', { fitted: false, standing: null }, ['FITTING_OPEN']],
    ['fitted and not looked at', { standing: null }, ['NOT_VERIFIED']],
    ['seen otherwise', { standing: standing({ kind: 'wrong', wrong: true }) }, ['DIFFERENT_SEEN']],
    ['errors under test', { standing: standing({ kind: 'errors', errors: true }) }, ['UNSTEADY']],
    ['another module than agreed', { asAgreed: false }, ['NOT_AS_AGREED']],
    ['no approval, and a loss', { approved: false, losses: ['Export'] }, ['NOT_APPROVED', 'LOSS']],
    ['too much paid is nothing open', { unpaid: -5 }, []],
    ['a charger kept', { accessories: ['charger', 'bag'], returned: ['bag'] }, ['ACCESSORIES']],
  ])('%s', (_, of, expected) => {
    expect(codes(of)).toEqual(expected)
  })

  test('no point hides another: errors, a slot nobody saw, and a promised four-hour test that ran one', () => {
    const all = standing({
      kind: 'wrong',
      wrong: true,
      errors: true,
      missing: ['slots', 'stability', 'testRule', 'loss'],
    })
    const tested = { passes: 1, planned: 3, hours: 1, rule: 4 }
    expect(openPointsOf({ ...closed, standing: all, tested })).toEqual([
      { code: 'DIFFERENT_SEEN' },
      { code: 'UNSTEADY' },
      { code: 'NOT_SEEN', what: ['slots'] },
      { code: 'SOAK_SHORT', made: 1, planned: 3, rule: null },
      { code: 'TEST_SHORT', hours: 1, rule: 4 },
    ])
  })

  test('without any test the soak plan and the shop’s rule are one point', () => {
    const none = standing({ kind: 'open', missing: ['stability', 'testRule'] })
    const tested = { passes: 0, planned: 3, hours: 0, rule: 4 }
    expect(openPointsOf({ ...closed, standing: none, tested })).toEqual([
      { code: 'SOAK_SHORT', made: 0, planned: 3, rule: 4 },
    ])
  })

  test('an old module nobody decided on, and the sum unpaid, are named; a reason of blanks is none', () => {
    const removed = partsRemoved({
      jobId: ID(8),
      now,
      planned,
      pieces,
      fit: { serials: {}, removed: {} },
    })
    const points = openPointsOf({ ...closed, removed, unpaid: 1250 })
    expect(points).toEqual([
      { code: 'UNPAID', amount: 1250 },
      { code: 'OLD_MODULE', removed },
    ])
    expect(withoutReason(points, { UNPAID: '  ', OLD_MODULE: 'asked by phone' })).toEqual([
      points[0],
    ])
    expect(unpaid({ toPay: 2000 }, [{ amount: 1500 }, { amount: -250 }])).toBe(750)
    expect(unpaid(null, [])).toBe(0)
  })
})

describe('the wording', () => {
  const written = {
    asked: [],
    found: [['It had ', { figure: 'memory before' }]],
    done: [],
    gained: [],
    watch: [],
    next: [],
  }

  test('is the shop’s own where there is any; figures are always the record’s', () => {
    const own = { found: [['There were ', { figure: 'memory before' }, ' in it.'], [' ']] }
    expect(filledIn(partOf('found', {}, written), { 'memory before': '8 GB' })).toEqual([
      'It had 8 GB',
    ])
    expect(filledIn(partOf('found', own, written), { 'memory before': '16 GB' })).toEqual([
      'There were 16 GB in it.',
    ])
    expect(figuresGone(own, {})).toEqual(['memory before'])
    expect(figuresGone(own, { 'memory before': '8 GB' })).toEqual([])
  })
})

describe('what is signed', () => {
  const signed = { name: 'Ada Quill', at: '2030-01-20T10:00:00.000Z', by: 'Mika', drawn: null }
  const collected = { name: 'Ada Quill', at: '2030-01-20T11:00:00.000Z', by: 'Mika' }
  const payments = [{ id: ID(1), amount: 100, method: 'cash' as const, at: signed.at, by: '' }]
  const code = (
    of: Partial<typeof NOT_HANDED_OVER>,
    patch: Parameters<typeof handoverRefusal>[1],
  ) => handoverRefusal({ ...NOT_HANDED_OVER, ...of }, patch)?.code ?? null

  test('stays as it is but for payments, what is given back, and who collects it', () => {
    expect(code({}, { wording: {}, reasons: {} })).toBeNull()
    expect(code({ signed }, { wording: {} })).toBe('signed')
    expect(code({ signed }, { signed })).toBe('signed')
    expect(code({ signed }, { payments, returned: ['bag'] })).toBeNull()
    expect(code({ signed }, { collected })).toBeNull()
    expect(code({}, { collected })).toBe('not_signed')
    expect(code({ signed, collected }, { collected })).toBe('collected')
    expect(code({ signed, collected }, { returned: [] })).toBe('collected')
    expect(code({ signed, collected }, { payments })).toBeNull()
  })
})

test('a new visit begins with what was left in the machine, as the customer’s own', () => {
  let count = 1
  const file = {
    id: ID(9),
    customerId: ID(8),
    machineId: ID(7),
    uses: 'maps',
    sizing: { uses: [] },
    fits: [{ serials: { [`${ID(3)} 0`]: 'NEW-30' } }],
  } as unknown as Parameters<typeof newVisit>[0]
  const { jobId, writes } = newVisit(file, planned, pieces, () => ID(count++))
  expect(jobId).toBe(ID(1))
  expect(writes[0]).toMatchObject({
    collection: 'jobs',
    fields: { customer: { id: ID(8) }, machine: { id: ID(7) }, followsId: ID(9), uses: 'maps' },
  })
  const made = writes.filter(({ collection }) => collection === 'modules')
  expect(made.map((one) => 'fields' in one && one.fields.serialNumber)).toEqual([
    'SHELF-2',
    '',
    'NEW-30',
  ])
  expect(writes.at(-1)).toMatchObject({
    action: 'change',
    fields: {
      found: { A2: { moduleId: ID(2) }, B1: { moduleId: ID(3) }, B2: { moduleId: ID(4) } },
    },
  })
})

describe('a claim', () => {
  const term = { months: 24, from: '2026-01-31', until: '2028-01-31' }
  const fitted = [
    {
      slot: 'A2',
      text: '',
      serial: '',
      state: 'used' as const,
      shop: null,
      makerUntil: '2027-03-01',
    },
    { slot: 'B2', text: '', serial: '', state: 'new' as const, shop: term, makerUntil: null },
    {
      slot: 'B1',
      text: '',
      serial: '',
      state: 'used' as const,
      shop: { ...term, months: 0 },
      makerUntil: null,
    },
  ]

  test.each([
    ['A2', '2027-03-01', { shop: null, maker: '2027-03-01' }],
    ['A2', '2027-03-02', { shop: null, maker: null }],
    ['B2', '2028-01-31', { shop: '2028-01-31', maker: null }],
    ['B2', '2028-02-01', { shop: null, maker: null }],
    ['B1', '2026-02-01', { shop: null, maker: null }],
    ['A1', '2026-02-01', { shop: null, maker: null }],
  ])('for slot %s on %s is met by whoever still stands by it', (slot, today, expected) => {
    expect(standsBy({ fitted }, slot, today)).toEqual(expected)
  })

  test('is made for what the shop brought, not for what the customer had', () => {
    const mixed = situationOf(machine, at(['A2', 1], ['B2', 3, 0]), pieces, PLAIN)
    const ash = piecesById([piece(3, { source: 'supplier', supplier: 'Ash' })])
    const of = { jobId: ID(8), now, planned: mixed, pieces: new Map([...pieces, ...ash]) }
    const parts = partsFitted({ ...of, fit: undefined })
    const claims = claimable(parts, mixed.assignment)
    expect(claims.map(({ slot, moduleId, supplier }) => [slot, moduleId, supplier])).toEqual([
      ['B2', ID(3), 'Ash'],
    ])
  })
})
