import { evaluate } from '@tembrix/core/judging/evaluate'
import { STARTING_MACHINES } from '@tembrix/core/things/machines'
import { FindingCode, type Machine, Severity } from '@tembrix/core/things/model'
import { describe, expect, test } from 'vitest'
import { wordingOf } from './catalogue'

const base = STARTING_MACHINES.find(({ id }) => id === 'laptop-soldered-1')?.machine as Machine
const machine: Machine = {
  ...base,
  syncCeiling: 3600,
  clearanceMm: 40,
  limits: { ...base.limits, dieGbit: 8, osGiB: 4 },
}
const evaluation = evaluate({ machine, placement: {}, settings: { profile: false } })

describe.each(FindingCode.options)('%s', (code) => {
  test('has a title, a meaning and something to do', () => {
    const finding = { code, severity: Severity.enum.note, slots: ['A'] }
    const { title, means, todo } = wordingOf({ finding, machine, evaluation, placement: {} })
    for (const text of [title, means, todo]) {
      expect(text.length).toBeGreaterThan(8)
      expect(text).not.toMatch(/null|undefined|NaN|\[object/)
    }
    expect(title.length).toBeLessThan(50)
  })
})

test('single channel says what a second one would give', () => {
  const finding = { code: 'SINGLE_CHANNEL', severity: 'risk', slots: [] } as const
  const zones = [{ ways: 1, gib: 8, peakGBs: 21.333 }]
  const { means } = wordingOf({
    finding: { ...finding, slots: [] },
    machine,
    placement: {},
    evaluation: { ...evaluation, zones },
  })
  expect(means).toContain('21.3 GB/s at most, where two would give 42.7')
})
