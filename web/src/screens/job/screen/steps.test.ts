import { expect, test } from 'vitest'
import { goesOnAt, type Step, type StepState } from './steps'

const PATHS = ['intake', 'identify', 'size', 'plan', 'quote', 'fit', 'verify', 'handover'] as const

/** Steps by the first letter of their state, as in `doo`: done, open, open. */
const steps = (states: string): Step[] => {
  const named: Record<string, StepState> = {
    d: 'done',
    o: 'open',
    a: 'attention',
    b: 'blocked',
  }
  return PATHS.map((path, at) => ({
    stage: path,
    name: path,
    path,
    state: named[states[at] ?? 'o'] ?? 'open',
  }))
}

test.each([
  ['ooooooo', 'intake', 'nothing is done'],
  ['dooooooo', 'identify', 'the customer is known'],
  ['daooooo', 'identify', 'something found contradicts something else'],
  ['doodooo', 'quote', 'it was planned without being sized'],
  ['daddooo', 'quote', 'what needs attention lies behind what was done since'],
  ['dddddoa', 'verify', 'what was fitted is not what is seen'],
  ['ddddado', 'verify', 'a quote that no longer holds lies behind the fitting'],
  ['ddddddd', 'handover', 'all but handing it over is done'],
  ['dddddddd', 'handover', 'all is done'],
  ['dddddda', 'verify', 'what is seen differs'],
])('with %s work goes on at %s: %s', (states, path) => {
  expect(goesOnAt(steps(states))).toBe(path)
})
