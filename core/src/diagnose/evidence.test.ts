import { expect, test } from 'vitest'
import { caseAgainst, type Made, type Outcome } from '.'

const made = (arrangement: Record<string, string>, outcome: Outcome, tested = false): Made => ({
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
