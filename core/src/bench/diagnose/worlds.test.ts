import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { type Course, coursesOf, type Led, ledBySwapping, ledByUs } from '../../../test/faultRuns'
import { benchOf, faultName, faultsOfBench, type WorldFault } from '../../../test/faultWorlds'

/*
 * The promises of finding faults, each on a sample of machines that know nothing of the finder's own model. The
 * whole rows, with many more machines, are in `npm run bench`.
 */

const all = (courses: readonly Course[]): Led[] => courses.map(ledByUs)
const share = (led: readonly Led[], is: (one: Led) => boolean) => led.filter(is).length / led.length
const wrong = ({ judged }: Led) => judged === 'wrong'
const namesMemory = ({ state, parts }: Led) =>
  state === 'named' && parts.some((part) => /^(module|slot|pair) /.test(part))
const steady = (slots: 2 | 4 | 8, every = 1): Course[] =>
  faultsOfBench(benchOf(slots)).flatMap((fault, at) =>
    at % every === 0 ? [{ slots, faults: [fault], seed: at + 1 }] : [],
  )

describe('one fault that always shows', () => {
  test.each(
    steady(2).map((course) => [
      `${faultName(course.faults[0] as WorldFault)}, ${course.faults[0]?.way}`,
      course,
    ]),
  )('is named or cured on two slots: %s', (_, course) => {
    expect(ledByUs(course as Course).judged).toBe('right')
  })

  test.each([
    [4, 5],
    [8, 7],
  ] as const)('is named or cured on %i slots', (slots, every) => {
    const led = all(steady(slots, every))
    expect(led.map(({ judged }) => judged)).toEqual(led.map(() => 'right'))
  })

  test('takes few plain restarts: at most a third of all trials', () => {
    const led = all(steady(2))
    const sum = (of: (one: Led) => number) => led.reduce((total, one) => total + of(one), 0)
    expect(sum(({ plain }) => plain) / sum(({ trials }) => trials)).toBeLessThan(1 / 3)
  })

  test('takes no longer than swapping with the same controls; a seat at most 1.5 times', () => {
    const minutes = (course: Course) => ledByUs(course).minutes / ledBySwapping(course).minutes
    for (const course of coursesOf(4, 'seat', 4)) expect(minutes(course)).toBeLessThan(1.5)
    for (const course of coursesOf(2, 'machine', 2)) expect(minutes(course)).toBeLessThan(1.2)
  })

  test('with one wrong answer among the first three is named wrongly in at most 10 of 100', () => {
    const led = all(steady(2).map((course, at) => ({ ...course, wrongAt: at % 3 })))
    expect(share(led, wrong)).toBeLessThanOrEqual(0.1)
    expect(share(led, ({ judged }) => judged === 'right')).toBeGreaterThan(0.7)
  })
})

describe('a machine that fails now and then', () => {
  test.each([0.3, 0.5, 0.9])('at %f: no module, slot or pair in 19 of 20', (often) => {
    const led = all(coursesOf(2, 'machine', 20, { often }))
    expect(share(led, namesMemory)).toBeLessThanOrEqual(0.05)
    expect(share(led, ({ parts }) => parts.join() === 'machine')).toBeGreaterThan(0.7)
  })
})

test('a module that shows at 0.35 is rarely mistaken', () => {
  const led = all(coursesOf(2, 'module', 30, { often: 0.35 }))
  expect(share(led, wrong)).toBeLessThanOrEqual(0.07)
  expect(share(led, ({ judged }) => judged === 'right')).toBeGreaterThan(0.6)
})

test.each([2, 4] as const)('a profile that fails with several modules, on %i slots', (slots) => {
  const courses = coursesOf(slots, 'profile', 4, { part: { kind: 'profile', above: slots - 1 } })
  const led = all(courses)
  expect(share(led, ({ judged }) => judged === 'right')).toBe(1)
  expect(share(led, ({ parts }) => parts.some((part) => part.startsWith('pair')))).toBe(0)
})

test('a module that shows only when warm: whether that is known or not', () => {
  const courses = coursesOf(2, 'module', 6, { warm: true })
  for (const warm of [null, true]) {
    expect(share(all(courses.map((course) => ({ ...course, warm }))), wrong)).toBe(0)
  }
})

describe('a sound machine after one complaint', () => {
  test.each([2, 4, 8] as const)('of a start, on %i slots: nothing, within the hour', (slots) => {
    for (const fitted of [true, false]) {
      const first = { kind: 'NO_START' } as const
      const { state, minutes } = ledByUs({ slots, faults: [], seed: 1, first, fitted })
      expect(state).toBe('nothing')
      expect(minutes).toBeLessThanOrEqual(60)
    }
  })

  test('of a test: nothing, within eight tests', () => {
    const first = { kind: 'ERRORS' } as const
    const { state, trials } = ledByUs({ slots: 4, faults: [], seed: 1, first })
    expect(state).toBe('nothing')
    expect(trials).toBeLessThanOrEqual(8)
  })
})

test.each([
  ['no module known to be good', { known: [] }],
  ['a slot that must be filled', { mustFill: ['A'] }],
])('a search ends where nothing can tell two causes apart, with %s', (_, bench) => {
  for (const course of steady(2)) {
    const { state, judged } = ledByUs({ ...course, bench })
    expect(state).not.toBe('open')
    expect(judged).not.toBe('wrong')
  }
})

test('in any world at all: what always shows is never named wrongly, and the search ends', () => {
  const world = fc
    .tuple(fc.constantFrom<2 | 4>(2, 4), fc.nat(1000), fc.nat(), fc.boolean())
    .map(([slots, seed, which, fitted]): Course => {
      const faults = faultsOfBench(benchOf(slots))
      return { slots, seed, fitted, faults: [faults[which % faults.length] as WorldFault] }
    })
  fc.assert(
    fc.property(world, (course) => {
      const { judged, state, diagnosis } = ledByUs(course)
      expect(judged).not.toBe('wrong')
      expect(state).not.toBe('open')
      expect(diagnosis?.next).toEqual([])
    }),
    { numRuns: 25 },
  )
})

test('in any world at all: no part is named that was out while the symptom came each time', () => {
  const world = fc
    .tuple(fc.nat(1000), fc.nat(), fc.constantFrom(1, 0.8, 0.5, 0.3), fc.boolean(), fc.nat(2))
    .map(([seed, which, often, warm, second]): Course => {
      const faults = faultsOfBench(benchOf(2))
      const one = { ...(faults[which % faults.length] as WorldFault), often, warm }
      const other = { ...(faults[(which * 7 + second) % faults.length] as WorldFault), often }
      return { slots: 2, seed, faults: second === 0 ? [one, other] : [one], most: 40 }
    })
  fc.assert(
    fc.property(world, (course) => {
      const { state, parts, made } = ledByUs(course)
      const [part] = parts
      if (state !== 'named' || parts.length > 1 || !part?.startsWith('module ')) return
      const without = made.filter(
        ({ arrangement }) => !Object.values(arrangement).includes(part.slice(7)),
      )
      const bad = without.filter(({ outcome }) => outcome.kind !== 'PASS').length
      expect(bad).toBeLessThan(without.length / 2)
      expect(without.length - bad).toBeGreaterThan(0)
    }),
    { numRuns: 40 },
  )
})
