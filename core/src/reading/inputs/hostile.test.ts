import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { stick } from '../../../test/builders'
import { hex, table } from '../../../test/tables'
import { readDdr3, readDdr4, readDdr5 } from '../contents'
import { type FormRead, modulesRead, nothingRead } from '../facts'
import { readLabels } from '../labels'
import { PRINT_FORMS, readBytes } from '../printouts'
import { readSmbios } from '../printouts/smbios'
import {
  FORMATS,
  PROBLEM_CODES,
  read,
  readRateName,
  writeCimCsv,
  writeDdr3,
  writeDdr4,
  writeDdr5,
} from '.'

const ddr5 = stick({
  generation: 'DDR5',
  capacityGiB: 16,
  voltages: [1.1],
  speeds: [{ kind: 'standard', dataRate: 5600, cl: 46, trcd: 45, trp: 45, tras: 90 }],
})
const ddr3 = stick({
  generation: 'DDR3',
  capacityGiB: 4,
  voltages: [1.5],
  speeds: [{ kind: 'standard', dataRate: 1600, cl: 11, trcd: 11, trp: 11, tras: 28 }],
})
const smbios = table({ devices: 2, maximumKB: 1 << 24 }, [
  { size: 8192, locator: 'DIMM A', speed: 3200, configured: 1600, serial: '1234', part: 'X-1' },
  { size: 0, locator: 'DIMM B' },
])
const listing = `Physical Memory Array
\tNumber Of Devices: 4
Memory Device
\tSize: 8 GB
\tLocator: ChannelA-DIMM0
\tSpeed: 3200 MHz`
const csv = writeCimCsv([{ locator: 'A1', bank: '', module: stick(), configuredDataRate: 3200 }])
const json = '[{"DeviceLocator":"A1","Capacity":8589934592,"Speed":3200}]'

const BINARY = [writeDdr3(ddr3), writeDdr4(stick()), writeDdr5(ddr5), smbios]
const TEXTS = ['8GB 1Rx8 PC4-2666V-SA1-11', listing, csv, json, hex(BINARY[1] as Uint8Array)]

function sound(reading: FormRead): void {
  expect(FORMATS).toContain(reading.format)
  for (const { code } of reading.problems) expect(PROBLEM_CODES).toContain(code)
  for (const { value } of reading.observations) expect(value ?? null).not.toBeNull()
  for (const { said } of modulesRead(reading.observations)) {
    for (const figure of [said.capacityGiB, said.ranks, said.dieGbit, said.runs?.printed]) {
      if (figure !== undefined) expect(Number.isFinite(figure) && figure > 0).toBe(true)
    }
    for (const { dataRate, cl } of said.speeds ?? []) {
      expect(dataRate > 0 && Number.isFinite(dataRate) && cl !== 0).toBe(true)
    }
  }
}

const bytes = fc.uint8Array({ maxLength: 1200 })
const anyText = fc.oneof(
  fc.string({ unit: 'binary', maxLength: 300 }),
  fc.string({ unit: fc.constantFrom(...'PC45RxXGB0138-U \n\t:;,|O"[{'), maxLength: 120 }),
)

describe('never throws, whatever comes', () => {
  test.each<[string, (input: Uint8Array) => FormRead | null]>([
    ['DDR3 contents', readDdr3],
    ['DDR4 contents', readDdr4],
    ['DDR5 contents', readDdr5],
    ['SMBIOS', readSmbios],
    ['contents or a table', readBytes],
    ['anything', read],
  ])('%s from bytes', (_, decode) => {
    fc.assert(
      fc.property(bytes, (input) => sound(decode(input) ?? nothingRead('unknown'))),
      { numRuns: 300 },
    )
  })

  test.each<[string, (input: string) => FormRead | null]>([
    ['labels', (text) => readLabels(text.split('\n'))],
    ...PRINT_FORMS.map(
      ({ name, read: readForm }) =>
        [name, (text: string) => readForm(text.split('\n'), 0)] as [
          string,
          (input: string) => FormRead | null,
        ],
    ),
    ['anything', read],
  ])('%s from text', (_, decode) => {
    fc.assert(
      fc.property(anyText, (input) => {
        const reading = decode(input)
        if (reading) sound(reading)
      }),
      { numRuns: 300 },
    )
  })

  test('names', () => {
    fc.assert(
      fc.property(anyText, (input) => {
        readRateName(input)
      }),
    )
  })

  test('JSON of any shape', () => {
    fc.assert(fc.property(fc.json(), (input) => sound(read(input))))
    expect(read('['.repeat(100_000)).problems[0]?.code).toBe('MALFORMED_JSON')
  })
})

/** Each of these hangs a reader that tries the same stretch again and again. */
test.each<[string, string]>([
  ['empty lines', '\n'.repeat(300_000)],
  ['lines of spaces', '   \t\n'.repeat(100_000)],
  ['one line of spaces', ' '.repeat(400_000)],
  ['quotes', '"'.repeat(300_000)],
  ['bytes that end in none', `${'00 '.repeat(200_000)}zz`],
  ['separators', ';'.repeat(300_000)],
  ['keys without end', 'Size:\n'.repeat(60_000)],
  ['digits', '1'.repeat(400_000)],
  ['dashes', '- '.repeat(200_000)],
  [
    'many columns over many rows',
    `DeviceLocator,Capacity${',x'.repeat(30_000)}\n${'a,1\n'.repeat(30_000)}`,
  ],
])('no hang on %s', (_, text) => {
  sound(read(text))
})

describe('no invented certainty', () => {
  const changed = fc.record({
    which: fc.constantFrom(...BINARY.keys()),
    at: fc.nat(),
    by: fc.integer({ min: 1, max: 255 }),
  })

  test('one byte changed in what the checksum covers is never verified', () => {
    const covered = [117, 126, 510]
    fc.assert(
      fc.property(changed, ({ which, at, by }) => {
        const original = BINARY[which] as Uint8Array
        const mutated = Uint8Array.from(original)
        const place = at % (covered[which] ?? original.length)
        mutated[place] = (mutated[place] as number) ^ by
        const reading = read(mutated)
        sound(reading)
        expect(reading.observations.some(({ source }) => source === 'contents')).toBe(false)
      }),
      { numRuns: 500 },
    )
  })

  test('a part of a file is never verified', () => {
    fc.assert(
      fc.property(changed, ({ which, at }) => {
        const original = BINARY[which] as Uint8Array
        const reading = read(original.subarray(0, at % original.length))
        sound(reading)
        expect(reading.observations.some(({ source }) => source === 'contents')).toBe(false)
      }),
      { numRuns: 500 },
    )
  })

  test('texts with letters lost, doubled and changed are read or refused, not verified', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...TEXTS),
        fc.array(fc.tuple(fc.nat(), fc.constantFrom('', '  ', 'x', '9', ':', '\n', '"')), {
          maxLength: 6,
        }),
        (text, edits) => {
          const mutated = edits.reduce((now, [at, put]) => {
            const place = at % (now.length + 1)
            return now.slice(0, place) + put + now.slice(place + 1)
          }, text)
          const reading = read(mutated)
          sound(reading)
          if (!/^[\s0-9a-fx]+$/i.test(mutated)) {
            expect(reading.observations.some(({ source }) => source === 'contents')).toBe(false)
          }
        },
      ),
      { numRuns: 500 },
    )
  })
})
