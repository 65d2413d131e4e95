import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { desktop, stick } from '../../../test/builders'
import { fittingSteps } from '../../bench/fitting'
import { soakPlan } from '../../bench/soak'
import { STARTING_TERMS } from '../../things/records'
import { type PricedInput, priced, suggestedCredit } from '../money'
import { labourOf, minutesOf } from '.'

const input: PricedInput = {
  currency: 'EUR',
  parts: [7600],
  minutes: 50,
  hourlyRate: 6000,
  extras: [],
  credits: [],
  taxPercent: 20,
  pricesIncludeTax: true,
  depositPercent: 0,
}

describe('adding up', () => {
  test('prices that hold the tax: 76.00 + 50.00 = 126.00, of which 21.00 is tax', () => {
    expect(priced(input)).toEqual({
      labour: 5000,
      net: 10500,
      tax: 2100,
      total: 12600,
      credit: 0,
      toPay: 12600,
      deposit: 0,
    })
  })

  test('prices without it: 19 % on 126.05 is 23.9495, so 23.95', () => {
    const plain = { ...input, extras: [5], taxPercent: 19, pricesIncludeTax: false }
    expect(priced(plain)).toMatchObject({ net: 12605, tax: 2395, total: 15000 })
  })

  test('old modules are set off after tax; a deposit is of what is left', () => {
    const some = priced({ ...input, credits: [1000, 600], depositPercent: 33.33 })
    // 126.00 − 16.00 = 110.00; 33.33 % of it is 36.663.
    expect(some).toMatchObject({ tax: 2100, credit: 1600, toPay: 11000, deposit: 3666 })
    const all = priced({ ...input, credits: [20000], depositPercent: 50 })
    expect(all).toMatchObject({ toPay: -7400, deposit: 0 })
  })

  test('a currency without minor units stays whole', () => {
    const yen = { ...input, currency: 'JPY' as const, parts: [9999], taxPercent: 10, minutes: 0 }
    expect(priced({ ...yen, pricesIncludeTax: false })).toMatchObject({ tax: 1000, total: 10999 })
  })

  test('net and tax always make the total, in whole minor units', () => {
    const amounts = fc.array(fc.integer({ min: 0, max: 5_000_000 }), { maxLength: 5 })
    const percent = fc.integer({ min: 0, max: 10_000 }).map((hundredths) => hundredths / 100)
    fc.assert(
      fc.property(
        fc.record({
          ...Object.fromEntries(
            (['parts', 'extras', 'credits'] as const).map((name) => [name, amounts]),
          ),
          minutes: fc.integer({ min: 0, max: 600 }),
          hourlyRate: fc.integer({ min: 0, max: 50_000 }),
          taxPercent: percent,
          depositPercent: percent,
          pricesIncludeTax: fc.boolean(),
        }),
        (changes) => {
          const sum = priced({ ...input, ...(changes as Partial<PricedInput>) })
          expect(Object.values(sum).every(Number.isInteger)).toBe(true)
          expect(sum.net + sum.tax).toBe(sum.total)
          expect(sum.total - sum.credit).toBe(sum.toPay)
          expect(sum.deposit).toBeLessThanOrEqual(Math.max(0, sum.toPay))
          expect(sum.tax).toBeGreaterThanOrEqual(0)
        },
      ),
    )
  })
})

test('tax rates with three decimals round right', () => {
  const of = (taxPercent: number, parts: number[]) =>
    priced({
      currency: 'USD',
      parts,
      minutes: 0,
      hourlyRate: 0,
      extras: [],
      credits: [],
      taxPercent,
      pricesIncludeTax: false,
      depositPercent: 0,
    }).tax
  // 8.875 % of 103.00 is 9.14125; 6.125 % of 40.00 is 2.45; 7.345 % of 200.00 is 14.69.
  expect(of(8.875, [10_300])).toBe(914)
  expect(of(6.125, [4000])).toBe(245)
  expect(of(7.345, [20_000])).toBe(1469)
})

describe('labour', () => {
  test('is what the steps of the fitting take, part by part', () => {
    const steps = fittingSteps({
      machine: desktop(),
      found: { A2: { moduleId: 'old', unit: 0 } },
      planned: { A2: { moduleId: 'new', unit: 0 }, B2: { moduleId: 'new', unit: 1 } },
      expected: null,
      profile: false,
      setByHand: null,
      profileNow: false,
      firmwareFirst: false,
      trained: { generation: 'DDR4', sizes: [8, 8] },
      soak: soakPlan({ gib: 16, raised: false, limitHours: 8, shortened: null }),
      graphicsGiB: null,
      nonVolatile: [],
      grows: true,
      starts: true,
      inTheWay: [],
      testFrom: 'medium',
      static: 'strap',
      hatch: false,
      battery: null,
      covers: [],
      cautions: [],
      openingMinutes: 11,
      table: STARTING_TERMS.labour,
    })
    // Opening as known of the model, three moves of 2, start 8, test 10.
    expect(labourOf(steps)).toEqual([
      { work: 'open', minutes: 11 },
      { work: 'module', minutes: 6 },
      { work: 'firstStart', minutes: 8 },
      { work: 'stability', minutes: 10 },
    ])
    expect(minutesOf(labourOf(steps))).toBe(35)
    expect(labourOf([])).toEqual([])
  })
})

describe('credit for an old module', () => {
  const shelf = { source: 'shelf', module: stick(), price: 1400 } as const
  test('a share of what one like it costs, in whole fifties', () => {
    // 30 % of 14.00 is 4.20.
    expect(suggestedCredit(stick(), [shelf], 30)).toBe(400)
  })
  test('without one on the shelf the supplier’s price counts, by the piece', () => {
    const kit = stick({ kit: { id: 'k', size: 2 } })
    const offer = { source: 'supplier', module: kit, price: 4000 } as const
    expect(suggestedCredit(stick(), [offer], 50)).toBe(1000)
  })
  test('nothing where nothing like it is sold', () => {
    expect(suggestedCredit(stick({ capacityGiB: 16 }), [shelf], 30)).toBe(0)
  })
})
