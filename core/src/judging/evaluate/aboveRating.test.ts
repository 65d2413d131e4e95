import { expect, test } from 'vitest'
import { desktop, profiled, stick } from '../../../test/builders'
import type { Machine } from '../../things/model'
import { aboveRating, evaluate } from '.'

const at = (slots: string[], ranks: number, dataRate = 3600, machine = desktop()) => {
  const { generation, voltages } = machine
  const module = profiled(dataRate, { ranks, generation, voltages })
  const placement = Object.fromEntries(slots.map((slot) => [slot, module]))
  const evaluation = evaluate({ machine, placement, settings: { profile: true } })
  return aboveRating(machine, placement, evaluation)
}
const PAIR = ['A2', 'B2']
const FOUR = ['A1', 'A2', 'B1', 'B2']

/** A desktop whose controller is rated for this with one module a channel, and with two of two ranks. */
const rated = (generation: 'DDR4' | 'DDR5', one: number, two: number): Machine => {
  const machine = desktop({ generation, voltages: [generation === 'DDR5' ? 1.1 : 1.2] })
  const dataRates = [
    { modulesPerChannel: 1, ranks: 1, dataRate: one },
    { modulesPerChannel: 2, ranks: 2, dataRate: two },
  ]
  return { ...machine, limits: { ...machine.limits, dataRates } }
}

test('two modules a step above their rating are everyday, four dual-rank ones hardly ever run', () => {
  // Two are rated for 3200, four of two ranks for 2666: 3600 is 12.5 % and 35 % above.
  expect(at(PAIR, 1)).toMatchObject({ rating: 3200, grade: 'everyday' })
  const four = at(FOUR, 2)
  expect(four).toMatchObject({ rating: 2666, grade: 'unlikely', holds: 2933 })
  expect(four?.share).toBeCloseTo(3600 / 2666 - 1, 9)
})

test('the load decides, and not the share alone', () => {
  // 3200 on a rating of 2400 is 33 % above, 6000 on 5200 15 %: both are what kits of two are sold for.
  expect(at(PAIR, 1, 3200, rated('DDR4', 2400, 2133))?.grade).toBe('everyday')
  expect(at(PAIR, 2, 6000, rated('DDR5', 5200, 3600))?.grade).toBe('everyday')
  expect(at(FOUR, 2, 6000, rated('DDR5', 5200, 3600))).toMatchObject({
    grade: 'unlikely',
    holds: 4400,
  })
  expect(at(FOUR, 2, 4800, rated('DDR5', 5200, 3600))?.grade).toBe('doubtful')
  expect(at(PAIR, 1, 8000, rated('DDR5', 5600, 3600))?.grade).toBe('unlikely')
})

test('it falls back to what runs with nothing switched on', () => {
  const machine = rated('DDR4', 3200, 2666)
  const four = profiled(3600, { ranks: 2 })
  const placement = Object.fromEntries(FOUR.map((slot) => [slot, four]))
  const plain = evaluate({ machine, placement, settings: { profile: false } })
  expect(at(FOUR, 2, 3600, machine)?.fallsBackTo).toBe(plain.run?.dataRate)
  expect(plain.run?.dataRate).toBeLessThanOrEqual(2666)
})

test('within the rating there is nothing to say', () => {
  expect(at(PAIR, 1, 3200)).toBeNull()
  const placement = { A2: stick() }
  const evaluation = evaluate({ machine: desktop(), placement, settings: { profile: false } })
  expect(aboveRating(desktop(), placement, evaluation)).toBeNull()
})
