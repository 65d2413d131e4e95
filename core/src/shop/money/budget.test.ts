import fc from 'fast-check'
import { expect, test } from 'vitest'
import { budgetFor, leftForParts } from '.'
import { priced } from './price'

const including = { hourlyRate: 5400, taxPercent: 20, pricesIncludeTax: true }
const besides = { ...including, pricesIncludeTax: false }

test('by hand: 90.00 with 35 minutes at 54.00 an hour', () => {
  // 31.50 of work leave 58.50; with 20 % on top 75.00 are left for both, so 43.50.
  expect(leftForParts(9000, 35, including)).toBe(5850)
  expect(leftForParts(9000, 35, besides)).toBe(4350)
  expect(leftForParts(2000, 35, including)).toBe(0)
  expect(budgetFor(5850, 35, including)).toBe(9000)
  expect(budgetFor(4350, 35, besides)).toBe(9000)
})

test('what is left is what the quote’s total allows, to the minor unit', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 1, max: 500_000 }),
      fc.integer({ min: 0, max: 300 }),
      fc.integer({ min: 0, max: 30_000 }),
      fc.boolean(),
      (budget, minutes, thousandths, pricesIncludeTax) => {
        const terms = { hourlyRate: 5400, taxPercent: thousandths / 1000, pricesIncludeTax }
        const parts = leftForParts(budget, minutes, terms)
        if (parts === 0) return
        const { total } = priced({
          ...terms,
          currency: 'EUR',
          parts: [parts],
          minutes,
          extras: [],
          credits: [],
          depositPercent: 0,
        })
        expect(total).toBeLessThanOrEqual(budget)
        expect(
          leftForParts(budgetFor(parts, minutes, terms), minutes, terms),
        ).toBeGreaterThanOrEqual(parts)
      },
    ),
  )
})
