import type { HandoverFacts } from '@tembrix/core/shop/handover'
import type { Module } from '@tembrix/core/things/model'
import { expect, test } from 'vitest'
import { faster, fasterRange, figuresOf, writtenReport } from './reportWords'

const evaluation = (installedGiB: number, ways: number) => ({
  starts: true,
  findings: [],
  capacity: { installedGiB, usableGiB: installedGiB },
  zones: [{ ways, gib: installedGiB, peakGBs: 20 }],
  mode: null,
  run: null,
})
const situation = (gib: number, ways: number) => ({
  assignment: {},
  placement: {},
  settings: { profile: false, manual: null },
  evaluation: evaluation(gib, ways),
})
const stated = (value: number, seen: boolean) => ({ value, seen })

const facts = (of: Partial<HandoverFacts> = {}) =>
  ({
    machine: { soldered: [], channels: ['A', 'B'], generation: 'DDR4' },
    before: situation(8, 1),
    after: situation(16, 2),
    changed: true,
    fitted: true,
    parts: [],
    removed: [],
    replaced: [],
    now: { memory: stated(16, true), speed: stated(2666, true), channels: stated(2, true) },
    gains: [],
    altered: ['channels'],
    forecast: null,
    steadiness: null,
    filesLookedAt: false,
    next: [],
    toPay: null,
    paid: 0,
    points: [],
    ...of,
  }) as unknown as HandoverFacts

const asked = {
  complaint: '',
  uses: '',
  sizing: { log: null },
  readings: [],
} as unknown as Parameters<typeof writtenReport>[1]

/** A part of the report as it is read, figures filled in. */
const read = (of: HandoverFacts, part: 'found' | 'done' | 'gained' | 'watch') => {
  const figures = figuresOf(of)
  return writtenReport(of, asked)
    [part].map((paragraph) =>
      paragraph.map((one) => (typeof one === 'string' ? one : figures[one.figure])).join(''),
    )
    .join(' ')
}

test('a module that was found bad and replaced is said in the report, with its serial number', () => {
  const bad = { slot: 'B', module: { capacityGiB: 8 } as Module, serial: 'BAD-1' }
  expect(read(facts({ replaced: [bad] }), 'done')).toContain(
    'The first module of 8 GB for B (serial number BAD-1) was faulty; we replaced it.',
  )
})

test('what nobody saw is said as calculated, not as seen', () => {
  expect(read(facts(), 'done')).toContain('It now shows 16 GB')
  expect(read(facts(), 'done')).toContain(
    'Memory is now read along 2 channels at once instead of 1 channel.',
  )
  const unseen = facts({
    now: { memory: stated(16, false), speed: null, channels: stated(2, false) },
  })
  expect(read(unseen, 'done')).toContain('By what is in it, it now has 16 GB')
  expect(read(unseen, 'done')).toContain('Memory should now be read along 2 channels')
  expect(read(unseen, 'done')).toContain('No memory test is on record.')
})

test('nothing fitted is no gain, and nothing measured is said so', () => {
  expect(read(facts({ fitted: false }), 'done')).toBe('We changed nothing in the memory.')
  expect(read(facts({ fitted: false }), 'gained')).toBe('')
  expect(read(facts(), 'gained')).toBe('How much faster it is was not measured.')
})

test('a gain is of all that changed at once, and is said to be', () => {
  const compared = { verdict: 'gain', ratio: 1.2, low: 1.15, high: 1.25 }
  const gain = { test: 'Export', compared, forecast: null, along: ['driver'] }
  const said = (of: object) =>
    read(facts({ gains: [{ ...gain, ...of }], ...of } as never), 'gained')
  expect(said({ altered: ['channels', 'ranks', 'width'] })).toContain(
    'It comes from the number of channels, how the modules are built, and the driver together.',
  )
  expect(said({ altered: ['channels'], along: [] })).not.toContain('together')
})

test('a measured loss is a loss, and a test without a difference is one', () => {
  const compared = (verdict: string, ratio: number) => ({
    verdict,
    ratio,
    low: ratio - 0.02,
    high: ratio + 0.02,
  })
  const gain = (test: string, verdict: string, ratio: number) => ({
    test,
    compared: compared(verdict, ratio),
    forecast: null,
    along: [],
  })
  const gains = [
    gain('Export', 'loss', 0.9),
    gain('Letter', 'alike', 1),
    gain('Tabs', 'cannot-tell', 1.04),
  ]
  const said = read(facts({ gains } as unknown as Partial<HandoverFacts>), 'gained')
  expect(said).toContain('Export: 10 % slower, measured before and after (8–12 % slower).')
  expect(said).toContain('Letter: measured, no difference you would notice.')
  expect(said).toContain('Tabs: measured, but the runs scatter too much to tell a difference.')
})

test.each([
  [1.06, '6 % faster'],
  [0.94, '6 % slower'],
  [2.04, '2 times as fast'],
])('a ratio of %f is %s', (ratio, words) => {
  expect(faster(ratio)).toBe(words)
})

test.each([
  [1.02, 1.09, '2–9 % faster'],
  [0.91, 0.98, '2–9 % slower'],
  [0.98, 1.03, '2 % slower to 3 % faster'],
  [1.8, 2.2, '80 % faster to 2.2 times as fast'],
])('from %f to %f is %s', (low, high, words) => {
  expect(fasterRange(low, high)).toBe(words)
})

test('files beside the new memory are said to be looked at only where somebody did', () => {
  expect(read(facts({ filesLookedAt: true }), 'done')).toContain('page files fit your drive')
  expect(read(facts(), 'done')).not.toContain('page files')
})

test('a soak test is said with its passes and odds, and with the reason it was shortened for', () => {
  const steadiness = {
    tests: 1,
    hours: 1.5,
    passes: 3,
    clean: true,
    held: true,
    shows: 2 / 3,
    shortened: null,
  }
  expect(read(facts({ steadiness }), 'done')).toContain(
    'We tested the memory in 3 full passes, 1.5 hours, without an error. Such a test shows a fault that is seen in two passes of three, 95 times in 100.',
  )
  const none = facts({ steadiness: { ...steadiness, passes: 0, held: false, shows: 1 } })
  expect(read(none, 'done')).toContain('too short to count as tested')
  expect(read(none, 'done')).not.toContain('did not pass')
  const bad = facts({ steadiness: { ...steadiness, clean: false, held: false } })
  expect(read(bad, 'done')).toContain('did not pass without errors')
  const cut = facts({ steadiness: { ...steadiness, shortened: 'needed tonight' } })
  expect(read(cut, 'done')).toContain('made shorter than usual: needed tonight.')
})

test('nothing is said of a machine that nobody looked into, and DDR5 may stay dark for minutes', () => {
  expect(read(facts({ before: situation(0, 1) }), 'found')).toBe('')
  const five = { ...facts().machine, generation: 'DDR5' as const }
  expect(read(facts({ machine: five }), 'watch')).toContain('dark for up to 5 minutes')
  expect(read(facts(), 'watch')).not.toContain('dark')
})
