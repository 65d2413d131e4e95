import { expect, test } from 'vitest'
import { desktop, profiled } from '../../../test/builders'
import { evaluate } from '../evaluate'
import { aboveRating } from '.'

const at = (slots: string[], ranks: number, dataRate = 3600) => {
  const module = profiled(dataRate, { ranks })
  const placement = Object.fromEntries(slots.map((slot) => [slot, module]))
  return aboveRating(
    desktop(),
    evaluate({ machine: desktop(), placement, settings: { profile: true } }),
  )
}

test('two modules a step above their rating, four dual-rank ones far above theirs', () => {
  // Two are rated for 3200, four of two ranks for 2666: 3600 is 12.5 % and 35 % above.
  expect(at(['A2', 'B2'], 1)).toMatchObject({ rating: 3200, grade: 'a-step' })
  const four = at(['A1', 'A2', 'B1', 'B2'], 2)
  expect(four).toMatchObject({ rating: 2666, grade: 'far', holds: 2933 })
  expect(four?.share).toBeCloseTo(3600 / 2666 - 1, 9)
})

test('within the rating there is nothing to say', () => {
  expect(at(['A2', 'B2'], 1, 3200)).toBeNull()
})
