import { expect, test } from 'vitest'
import { type Made, STARTING_CAUSES, searchOf, soFar, suspect, type TrialBench } from '.'

const bench: TrialBench = {
  order: ['A', 'B'],
  mustFill: [],
  modules: ['m1', 'm2'],
  known: [],
  profiles: false,
}
const whole = { A: 'm1', B: 'm2' }
const made = (kind: 'NO_START' | 'PASS', more: Partial<Made> = {}): Made => ({
  arrangement: whole,
  reseat: false,
  profile: false,
  depth: 'start',
  action: null,
  ...more,
  outcome: { kind },
})
const after = (...trials: Made[]) =>
  soFar(searchOf(suspect(bench, whole, false, STARTING_CAUSES), trials))

test('a module that fails alone leads, its neighbour that passes there is cleared', () => {
  const [one, other] = [{ arrangement: { B: 'm1' } }, { arrangement: { B: 'm2' } }]
  const { leading, cleared, missing, unseen } = after(
    made('NO_START'),
    made('NO_START', one),
    made('PASS', other),
    made('PASS', other),
  )
  expect(leading).toMatchObject({ parts: ['module m1'], isCured: false })
  expect(cleared).toContain('module m2')
  expect(cleared).not.toContain('module m1')
  expect(missing).toContain('back')
  expect(unseen).toEqual(['RARE', 'ONLY_WARM'])
})

test('a seat put right says how many passes are missing; a test excludes what shows only warm', () => {
  const seat = [made('NO_START'), made('NO_START'), made('PASS', { reseat: true })]
  expect(after(...seat)).toMatchObject({ leading: { isCured: true }, passes: 2 })
  expect(after(...seat, made('PASS')).passes).toBe(1)
  expect(after(...seat, made('PASS', { depth: 'test' })).unseen).toEqual(['RARE'])
})
