import { expect, test } from 'vitest'
import { parseTable, type Table } from '../../things/tables'
import {
  boundOf,
  type ChosenUse,
  guessLogColumns,
  judgeNeed,
  type LogSummary,
  logsTogether,
  type NeedSaid,
  readMemoryLog,
  STARTING_USES,
  summarise,
} from '.'

const table = parseTable(
  [
    'Time s,Memory used GB,File cache GB,GPU memory used MB,GPU load %',
    '0,12,4,7900,99',
    '60,14,4,8000,60',
    '120,13,4,4000,50',
    '180,13,4,4000,50',
  ].join('\n'),
) as Table

test('in use apart from file cache; the card’s own memory and its load', () => {
  const columns = guessLogColumns(table)
  expect(columns).toEqual({
    time: 'Time s',
    used: 'Memory used GB',
    unit: 'GB',
    cache: 'File cache GB',
    graphics: 'GPU memory used MB',
    graphicsUnit: 'MB',
    load: 'GPU load %',
  })
  const { samples } = readMemoryLog(table, columns, 16)
  expect(samples.map(({ gib }) => gib)).toEqual([8, 10, 9, 9])
  // Three minutes: of a card of 8 GB as good as full for two, at full load for one, waiting for two.
  expect(summarise(samples, 16, 8)?.card).toEqual({ full: 2 / 3, busy: 1 / 3, waits: 2 / 3 })
  // Without the card's size nothing is said about it being full.
  expect(summarise(samples, 16)?.card).toEqual({ full: null, busy: 1 / 3, waits: 2 / 3 })
})

const log = (peakGiB: number, changes: Partial<LogSummary> = {}): LogSummary => ({
  count: 10,
  spanSeconds: 600,
  peakGiB,
  p99GiB: peakGiB,
  tightShare: 0,
  cutOff: false,
  pagingShare: null,
  ...changes,
})
const use = (id: string): ChosenUse => ({ use: id, level: 'usual', weight: 1, together: null })
const said = (uses: ChosenUse[], useLogs: NeedSaid['useLogs']): NeedSaid => ({
  uses,
  integratedGraphics: false,
  disk: 'solid-state',
  log: null,
  useLogs: useLogs ?? [],
  years: null,
  wantedGiB: null,
})

test('several logs are as one: the largest peak, and “at least” where any was cut off', () => {
  const both = logsTogether(
    null,
    [
      { ...log(9), use: 'a' },
      { ...log(12, { cutOff: true }), use: 'b' },
    ],
    0,
  )
  expect(both).toMatchObject({ peakGiB: 12, cutOff: true, count: 20 })
  expect(logsTogether(null, [], 10)).toBeNull()
})

test('a log of one use does not speak for another, which counts by the table', () => {
  const ofPhotos = [{ ...log(7), use: 'photos' }]
  // Video by the table: 4.5 for the system and 12.
  expect(
    judgeNeed(STARTING_USES, said([use('photos'), use('video')], ofPhotos), 16).demand?.now.likely,
  ).toBe(16.5)
  expect(judgeNeed(STARTING_USES, said([use('photos')], ofPhotos), 16).demand?.now.likely).toBe(7)
})

test('the card’s load tells what limits a game, unless the technician says otherwise', () => {
  const busy = { card: { full: null, busy: 0.8, waits: 0.1 } }
  const waits = { card: { full: null, busy: 0, waits: 0.7 } }
  expect(boundOf({}, undefined, busy)).toBe('card')
  expect(boundOf({}, undefined, waits)).toBe('processor')
  expect(boundOf({ bound: 'card' }, undefined, waits)).toBe('card')
  expect(boundOf({}, undefined, { card: { full: 0.5, busy: 0.3, waits: 0.3 } })).toBeNull()
  expect(boundOf({}, { bound: 'processor' })).toBe('processor')
})
