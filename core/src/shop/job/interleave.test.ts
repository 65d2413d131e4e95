import { expect, test } from 'vitest'
import { desktop, stick } from '../../../test/builders'
import { evaluate } from '../../judging/evaluate'
import type { Module } from '../../things/model'
import { interleaveShown, type Situation } from '.'

const machine = desktop({ interleave: 'unknown' })
const state = (placement: Record<string, Module>): Situation => ({
  assignment: {},
  placement,
  settings: { profile: false },
  evaluation: evaluate({ machine, placement, settings: { profile: false } }),
})
const even = state({ A2: stick(), B2: stick() })
const uneven = state({ A2: stick({ capacityGiB: 16 }), B2: stick() })

const shown = (copy: [number, number], [now, planned] = [even, uneven]) => {
  const run = (configuration: 'before' | 'after', figure: number) => ({
    test: 'Copy',
    unit: 'GB/s',
    better: 'higher' as const,
    configuration,
    runs: [figure, figure, figure],
    failed: 0,
    bandwidth: 'copy' as const,
    work: null,
    at: null,
    conditions: {},
    busy: false,
  })
  const measurements = [run('before', copy[0]), run('after', copy[1])]
  return interleaveShown({ file: { measurements, verifications: [] }, now, planned })
}

test('a copy that falls by a third or more shows that only equal channels interleave', () => {
  expect(shown([36, 20])).toMatchObject({ interleave: 'matched', ratio: 20 / 36 })
  expect(shown([36, 24])?.interleave).toBe('matched')
})

test('one that stays shows that they interleave as far as they are equal; between nothing is said', () => {
  expect(shown([36, 35])?.interleave).toBe('flex')
  expect(shown([36, 29])).toBeNull()
})

test('nothing is said where channels were not made unequal', () => {
  expect(shown([36, 20], [even, even])).toBeNull()
  expect(shown([20, 20], [state({ A2: stick() }), uneven])).toBeNull()
})
