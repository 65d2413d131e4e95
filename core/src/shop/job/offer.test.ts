import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { desktop, profiled, stick } from '../../../test/builders'
import { aboveRating, evaluate } from '../../judging/evaluate'
import type { Module } from '../../things/model'
import { type Assignment, type Piece, STARTING_TERMS, UNFITTED } from '../../things/records'
import { type OfferInput, offerOf, promisedOf, situationOf } from '.'

const machine = desktop()
const kit = { id: 'k', size: 2 }
const piece = (id: string, source: Piece['source'], price: number | null, changes: object = {}) =>
  [id, { id, source, module: stick({ article: id }), price, ...changes } as Piece] as const
const kitModule: Module = stick({ article: 'kit', capacityGiB: 16, kit })
const pieces = new Map([
  piece('own', 'customer', null),
  piece('used', 'shelf', 1500, { condition: 'used', testedOn: '2030-01-02' }),
  piece('unsaid', 'shelf', null, { condition: null }),
  piece('kit', 'supplier', 8000, {
    module: kitModule,
    stock: 0,
    leadDays: 3,
    askedAt: '2030-01-05T09:00:00Z',
  }),
  piece('late', 'supplier', 2000, { stock: null, leadDays: null }),
  piece('fast', 'supplier', 3000, { module: profiled(3600), stock: 2, leadDays: 1 }),
])
const at = (slots: Record<string, [string, number] | string>): Assignment =>
  Object.fromEntries(
    Object.entries(slots).map(([slot, one]) => {
      const [moduleId, unit] = typeof one === 'string' ? [one, 0] : one
      return [slot, { moduleId, unit }]
    }),
  )
const now = situationOf(machine, at({ A2: 'own' }), pieces, { profile: false })
const job = {
  file: {
    fits: [],
    verifications: [],
    machines: 1,
    readings: [],
    sizing: { integratedGraphics: true } as never,
  },
  machine,
  now,
  pieces,
}

function offer(
  slots: Parameters<typeof at>[0],
  option: Partial<OfferInput['option']> = {},
  given: Partial<typeof job> = {},
  profile = false,
) {
  return offerOf(
    { ...job, ...given },
    {
      planned: situationOf(machine, at(slots), pieces, { profile }),
      plan: { profile },
      option: { minutes: null, credits: {}, extras: [], ...option },
      quote: { depositPercent: null },
      model: undefined,
      terms: { ...STARTING_TERMS, depositPercent: 20 },
      gain: null,
      validated: null,
    },
  )
}

const KIT = { A2: ['kit', 0], B2: ['kit', 1] } as Record<string, [string, number]>

describe('an option worked out', () => {
  test('a kit is bought once; an hour at 60.00, a credit set off; a fifth of what is left as deposit', () => {
    const { purchases, removed, minutes, credits, sum, facts } = offer(KIT, {
      minutes: 60,
      credits: { own: 400, other: 900 },
      extras: [
        { id: 'x', text: 'Cleaning', amount: 1000 },
        { id: 'y', text: '', amount: 9000 },
      ],
    })
    expect(purchases.map(({ times, price }) => [times, price])).toEqual([[1, 8000]])
    expect(removed).toEqual(['own'])
    expect(minutes).toBe(60)
    expect(credits.map(({ id, amount }) => [id, amount])).toEqual([['own', 400]])
    // 80.00 + 10.00 + 60.00 = 150.00, a sixth of it tax; 4.00 off; 29.20 of 146.00.
    expect(sum).toMatchObject({ total: 15000, tax: 2500, credit: 400, toPay: 14600, deposit: 2920 })
    expect(facts.wholeKit).toBe(2)
    expect(facts.removed).toMatchObject([{ credit: 400, goesTo: null }])
    expect(facts.added.map(({ state }) => state)).toEqual(['new', 'new'])
    expect(facts.integratedGraphics).toBe(true)
  })

  test('without minutes set, those of the steps count', () => {
    const { minutes, calculatedMinutes, labour } = offer({ A2: 'own', B2: 'used' })
    expect(minutes).toBe(calculatedMinutes)
    expect(minutes).toBe(labour.reduce((all, one) => all + one.minutes, 0))
  })

  test('what a module is, is said as far as it is on record', () => {
    const { facts } = offer({ A2: 'own', B2: 'used', A1: 'unsaid' })
    expect(facts.kept).toHaveLength(1)
    expect(facts.added.map(({ state, testedOn }) => [state, testedOn])).toEqual([
      [null, null],
      ['used', '2030-01-02'],
    ])
  })

  test('a whole kit is one alone: not beside another, not half, not beside soldered memory', () => {
    expect(offer({ A2: ['kit', 0] }).facts.wholeKit).toBeNull()
    expect(offer({ ...KIT, A1: 'own' }).facts.wholeKit).toBeNull()
    const soldered = { ...machine, soldered: [{ module: stick(), channel: 'A' } as never] }
    expect(offer(KIT, {}, { machine: soldered }).facts.wholeKit).toBeNull()
  })

  test('when it is here: in the shop, in days as the supplier said, or not known', () => {
    expect(offer({ A2: 'own' }).facts.lead).toBeNull()
    expect(offer({ A2: 'own', B2: 'used' }).facts.lead).toEqual({ inShop: true })
    expect(offer(KIT).facts.lead).toEqual({
      inShop: false,
      days: 3,
      saidOn: '2030-01-05T09:00:00Z',
    })
    expect(offer({ ...KIT, A1: 'late' }).facts.lead).toBeNull()
  })

  test('what hinders: no price, out of stock, no start; nothing else', () => {
    expect(offer({ A2: 'own', B2: 'used' }).hindrances).toEqual([])
    expect(offer(KIT).hindrances).toEqual([{ code: 'OUT_OF_STOCK', article: 'kit', left: 0 }])
    const unsaid = offer({ A2: 'own', B2: 'unsaid' })
    expect(unsaid.hindrances).toEqual([{ code: 'NO_PRICE', article: 'unsaid' }])
    expect(unsaid.unpriced).toBe(true)
    expect(offer({}).hindrances).toEqual([{ code: 'NO_START' }])
  })

  test('a profile is told of only where it is asked for and at work', () => {
    const FAST = { A2: ['fast', 0], B2: ['fast', 1] } as typeof KIT
    expect(offer(FAST).facts.profile).toBeNull()
    expect(offer(FAST, {}, {}, true).facts.profile).toEqual({ volts: null })
    expect(offer(KIT, {}, {}, true).facts.profile).toBeNull()
  })

  test('where an old module goes is as the customer said at the bench', () => {
    const removed = { own: { to: 'customer', shelfId: 's', price: null } } as never
    const file = { ...job.file, fits: [{ ...UNFITTED, removed } as never] as never }
    expect(offer(KIT, {}, { file }).facts.removed).toMatchObject([{ goesTo: 'customer' }])
  })
})

test('another spend has its own minutes and parts; a disk without a price is not given away', () => {
  const of = (other: OfferInput['option']['other'], amount = 0) =>
    offer({ A2: 'own' }, { extras: [{ id: 'x', text: 'Disk', amount }], other })
  expect(of('disk')).toMatchObject({
    calculatedMinutes: 45,
    labour: [],
    purchases: [],
    unpriced: true,
    hindrances: [{ code: 'NO_PRICE', article: 'The disk' }],
  })
  expect(of('disk', 6000)).toMatchObject({ unpriced: false, hindrances: [] })
  expect(of('cooling')).toMatchObject({ calculatedMinutes: 30, unpriced: false })
  expect(of('nothing')).toMatchObject({ calculatedMinutes: 0, facts: { other: 'nothing' } })
})

test('nothing promised runs at a speed that its grade calls unlikely', () => {
  const rate = fc.constantFrom(2133, 2400, 2666, 2933, 3200)
  fc.assert(
    fc.property(
      rate,
      rate,
      fc.integer({ min: 2666, max: 5200 }),
      fc.constantFrom(1, 2),
      fc.constantFrom(['A2'], ['A2', 'B2'], ['A1', 'A2', 'B1', 'B2']),
      (one, two, sold, ranks, slots) => {
        const dataRates = [
          { modulesPerChannel: 1, ranks: 1, dataRate: one },
          { modulesPerChannel: 2, ranks: 1, dataRate: Math.min(one, two) },
        ]
        const board = { ...machine, limits: { ...machine.limits, dataRates } }
        const module = profiled(sold, { ranks })
        const placement = Object.fromEntries(slots.map((slot) => [slot, module]))
        const settings = { profile: true }
        const evaluation = evaluate({ machine: board, placement, settings })
        const planned = { assignment: {}, placement, settings, evaluation }
        const { situation, above } = promisedOf(board, planned)
        const again = aboveRating(board, placement, situation.evaluation)
        expect(again?.grade).not.toBe('unlikely')
        if (above?.grade === 'unlikely') {
          expect(situation.evaluation.run?.dataRate).toBe(above.fallsBackTo)
        } else expect(situation).toBe(planned)
      },
    ),
  )
})
