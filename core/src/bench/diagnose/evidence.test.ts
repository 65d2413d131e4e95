import { expect, test } from 'vitest'
import { caseAgainst, type Made, passedOnlyCold, type TrialOutcome } from '.'

const made = (
  arrangement: Record<string, string>,
  outcome: TrialOutcome,
  tested = false,
): Made => ({
  arrangement,
  reseat: false,
  profile: false,
  depth: tested ? 'test' : 'start',
  action: null,
  outcome,
})

test('what speaks against a module: where it went wrong, and that others do well there', () => {
  const trials = [
    made({ A1: 'x', B1: 'y' }, { kind: 'MISSING', slots: ['B1'] }),
    made({ A1: 'y' }, { kind: 'NO_START' }),
    made({ A1: 'x' }, { kind: 'PASS' }),
    made({ B1: 'x' }, { kind: 'PASS' }, true),
  ]
  expect(caseAgainst('y', trials)).toEqual({
    wrong: [
      { slot: 'B1', outcome: { kind: 'MISSING', slots: ['B1'] } },
      { slot: 'A1', outcome: { kind: 'NO_START' } },
    ],
    soundSlots: ['B1', 'A1'],
    wellWithout: 2,
    testedWithout: 1,
  })
  // Its neighbour was seen: what was missing is not laid on it.
  expect(caseAgainst('x', trials)).toMatchObject({ wrong: [], wellWithout: 0 })
})

test('short starts pass from cold; one test tells of warm', () => {
  const bad = made({ A1: 'x' }, { kind: 'NO_START' })
  const short = made({ A1: 'y' }, { kind: 'PASS' })
  expect(passedOnlyCold([bad])).toBe(false)
  expect(passedOnlyCold([bad, short])).toBe(true)
  expect(passedOnlyCold([bad, short, made({ A1: 'y' }, { kind: 'PASS' }, true)])).toBe(false)
  const warm = { ...short, warm: true }
  expect(passedOnlyCold([bad, short, warm])).toBe(false)
  const unsure = { ...made({ A1: 'y' }, { kind: 'PASS' }, true), unsure: true }
  expect(passedOnlyCold([bad, short, unsure])).toBe(true)
})
