import { KINDS, ShopPatch } from '@tembrix/core/things/records'
import { expect, test } from 'vitest'
import { z } from 'zod'
import { fieldName } from './fields'
import { AS_A_WHOLE, valueWords } from './values'

const MODULE = '00000000-0000-4000-8000-000000000001'
const nameOf = (id: string) => (id === MODULE ? '8 GB DDR4-2400 SO-DIMM' : undefined)

test.each<[unknown, string, string]>([
  [null, 'budget', 'nothing'],
  [undefined, 'A1', 'nothing'],
  ['', 'note', 'nothing'],
  [true, 'profile', 'yes'],
  [12, 'years', '12'],
  [12000, 'budget', '€120.00'],
  [16, 'totalGiB', '16 GB'],
  [3200, 'dataRate', '3200 MT/s'],
  [45, 'openingMinutes', '45 minutes'],
  [30, 'depositPercent', '30 %'],
  ['2030-02-10', 'dueOn', '10 Feb 2030'],
  ['data:image/png;base64,AAAA', 'logo', 'a picture'],
  // A name that a reader of dates would take for one.
  ['Tern 12', 'name', '“Tern 12”'],
  ['May T 2030', 'name', '“May T 2030”'],
  ['x'.repeat(200), 'note', `“${'x'.repeat(120)}…”`],
  [[], 'accessories', 'nothing'],
  [['a bag', 'a charger'], 'accessories', '“a bag” and “a charger”'],
  [[1, 2, 3, 4, 5, 6, 7, 8], 'runs', '1, 2, 3, 4, 5, 6, and 2 more'],
  [{ moduleId: MODULE, unit: 0 }, 'A1', '8 GB DDR4-2400 SO-DIMM'],
  [{ moduleId: MODULE.replace('1', '2'), unit: 0 }, 'A1', 'one that is not in this job'],
  // Who and when stand beside the line.
  [{ state: 'done', at: '2030-02-10T10:00:00.000Z', by: 'Mika', reason: '' }, 'seat', 'done'],
  [{ at: '2030-02-10', by: 'Mika' }, 'offered', '10 Feb 2030'],
  [{ id: MODULE, name: 'Rowan', bench: true, owner: false }, 'people', '“Rowan”, bench'],
  [{ dataRate: 3200, timings: { cl: 16 } }, 'manual', 'speed 3200 MT/s, timings 16'],
])('%s as %s is read as it is', (value, field, words) => {
  expect(valueWords(value, field, nameOf)).toBe(words)
})

test.each<[unknown, string, string]>([
  [null, 'note', '–'],
  ['', 'note', '–'],
  [{}, 'placement', '–'],
  [0, 'seconds', '0'],
  [false, 'profile', 'no'],
  ['as typed', 'note', 'as typed'],
  ['x'.repeat(500), 'note', 'x'.repeat(500)],
  // Never in the units it is stored in.
  [60_000, 'budget', '€600.00'],
  ['2030-02-10', 'dueOn', '10 Feb 2030'],
  [24, 'wantedGiB', '24 GB'],
  [{ B: { moduleId: MODULE, unit: 0 } }, 'placement', 'B: 8 GB DDR4-2400 SO-DIMM'],
  [
    { A: { moduleId: MODULE.replace('1', '2'), unit: 0 } },
    'found',
    'A: one that is not at hand here',
  ],
  [
    { [MODULE]: { to: 'shelf', price: 1500 } },
    'removed',
    '8 GB DDR4-2400 SO-DIMM: to our shelf, used and untested; price: €15.00',
  ],
  [
    [{ id: MODULE, takenBy: 'Mika' }, { takenBy: 'Runa' }],
    'readings',
    'taken by: Mika and taken by: Runa',
  ],
  ['2030-03-01T12:30:00.000', 'at', '1 Mar 2030, 12:30'],
  [{ profile: false, years: 2 }, 'settings', 'memory profile: no; years: 2'],
  [{ state: 'done', by: 'Mika' }, 'seat', 'state: done; by whom: Mika'],
])('%j as %s, to be compared, is there as a whole', (value, field, words) => {
  expect(valueWords(value, field, nameOf, AS_A_WHOLE)).toBe(words)
})

test('to be compared, what has parts is cut where it is long, a text never', () => {
  const whole = valueWords({ note: 'b'.repeat(500) }, 'sizing', nameOf, {
    ...AS_A_WHOLE,
    longest: 80,
  })
  expect(whole).toBe(`notes: ${'b'.repeat(73)}…`)
})

test('a moment is a day and a time', () => {
  expect(valueWords('2030-02-10T10:00:00.000Z', 'at', nameOf)).toMatch(/^10 Feb 2030, \d\d:00$/)
})

test('every field that can be changed is called something one can read', () => {
  for (const patch of [...Object.values(KINDS).map((kind) => kind.updateSchema), ShopPatch]) {
    const schema = z.toJSONSchema(patch, { io: 'input', unrepresentable: 'any' })
    for (const name of namesIn(schema)) {
      expect(fieldName(name), name).toMatch(/^[\p{L} ,/’-]+$/u)
      expect(fieldName(name), name).not.toMatch(/GiB| id$|mm$|99/i)
    }
  }
})

test('every amount of money is read as one', () => {
  const patches = [...Object.values(KINDS).map((kind) => kind.updateSchema), ShopPatch]
  const amounts = patches.flatMap((patch) =>
    amountsIn(z.toJSONSchema(patch, { io: 'input', unrepresentable: 'any' }), ''),
  )
  expect(amounts).toEqual(
    expect.arrayContaining(['budget', 'price', 'cost', 'hourlyRate', 'credits']),
  )
  for (const name of amounts) {
    // Of a map of amounts, each by what it is for.
    const one = name === 'credits' ? { [MODULE]: 1250 } : 1250
    expect(valueWords(one, name, nameOf), name).toContain('€12.50')
  }
})

/** Names of the fields that hold amounts of money, in whatever depth. */
function amountsIn(schema: unknown, name: string): string[] {
  if (typeof schema !== 'object' || schema === null) return []
  if ('unit' in schema && schema.unit === 'minor units') return [name]
  return Object.entries(schema).flatMap(([key, value]) =>
    key === 'properties'
      ? Object.entries(value as object).flatMap(([field, one]) => amountsIn(one, field))
      : amountsIn(value, name),
  )
}

/** Names of properties, in whatever depth. */
function namesIn(schema: unknown): string[] {
  if (typeof schema !== 'object' || schema === null) return []
  return Object.entries(schema).flatMap(([key, value]) =>
    key === 'properties' ? [...Object.keys(value), ...namesIn(value)] : namesIn(value),
  )
}
