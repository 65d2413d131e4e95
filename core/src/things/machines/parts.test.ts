import fc from 'fast-check'
import { expect, test } from 'vitest'
import { desktop, slot } from '../../../test/builders'
import { Machine } from '../model'
import { SOURCED } from '../records'
import { differingParts, merged, nextSlot, recordPart, withChannels, withSlotCount } from '.'

const found = desktop({
  slots: [slot('A1', 'A', { order: 1 }), slot('B1', 'B', { order: 2, color: 'blue' })],
  limits: { ...desktop().limits, totalGiB: 64 },
  interleave: 'matched',
})
const manual = { source: 'manual', note: 'page 12', by: 'Mika', at: null } as const

test('two records differ in what was changed only', () => {
  const { name, ...rest } = desktop()
  expect(differingParts(desktop(), { ...rest, name })).toEqual([])
  expect(differingParts(desktop(), found)).toEqual(['slots', 'order', 'totalGiB', 'interleave'])
})

test('merging takes over what is chosen, with its source, and leaves the rest', () => {
  const record = { machine: desktop(), sources: {} }
  const result = merged(record, { machine: found, sources: { totalGiB: manual } }, ['totalGiB'])
  expect(result.machine.limits.totalGiB).toBe(64)
  expect(result.sources).toEqual({ totalGiB: manual })
  expect(differingParts(result.machine, found)).toEqual(['slots', 'order', 'interleave'])
})

test('merging everything makes the machines alike', () => {
  fc.assert(
    fc.property(fc.subarray([...SOURCED]), (parts) => {
      const record = { machine: desktop(), sources: {} }
      const all = merged(record, { machine: found, sources: {} }, [...parts, ...SOURCED]).machine
      for (const part of SOURCED) expect(recordPart(all, part)).toEqual(recordPart(found, part))
      expect(Machine.safeParse(all).success).toBe(true)
    }),
  )
})

test('any number of channels and slots leaves a machine that is accepted', () => {
  const counts = fc.record({
    channels: fc.integer({ min: 1, max: 8 }),
    slots: fc.integer({ min: 0, max: 12 }),
  })
  fc.assert(
    fc.property(counts, ({ channels, slots }) => {
      const machine = withSlotCount(withChannels(desktop(), channels), slots, new Set(['B2']))
      expect(machine.slots).toHaveLength(slots)
      if (slots > 0) expect(machine.slots.map(({ id }) => id)).toContain('B2')
      expect(Machine.safeParse(machine).success).toBe(true)
    }),
  )
})

test('a further slot goes to the emptier channel, with a name not taken', () => {
  const machine = desktop({ slots: [slot('A1', 'A'), slot('B1', 'A'), slot('B2', 'B')] })
  expect(nextSlot(machine)).toMatchObject({ id: 'B3', channel: 'B' })
})
