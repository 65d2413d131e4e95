import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { changedIn, differenceOf, KEPT_TEXT, valueBefore } from '.'

const charger = 'a charger'
const bag = 'a bag'
const trial = (id: string, more: object = {}) => ({ id, reseat: false, ...more })

describe('what differs is told thing by thing', () => {
  test.each<[string, unknown, unknown, object[]]>([
    ['a text', 'slow', 'very slow', [{ path: [], was: 'slow', is: 'very slow' }]],
    ['a day that is left open', '2030-02-01', null, [{ path: [], was: '2030-02-01', is: null }]],
    [
      'a slot filled and one emptied',
      { A1: { moduleId: 'm', unit: 0 } },
      { A2: { moduleId: 'm', unit: 0 } },
      [
        { path: ['A1'], was: { moduleId: 'm', unit: 0 }, is: undefined },
        { path: ['A2'], was: undefined, is: { moduleId: 'm', unit: 0 } },
      ],
    ],
    [
      'another module in a slot',
      { A1: { moduleId: 'm', unit: 0 } },
      { A1: { moduleId: 'n', unit: 0 } },
      [{ path: ['A1', 'moduleId'], was: 'm', is: 'n' }],
    ],
    [
      'a list of texts',
      [charger, bag],
      ['a mouse', bag],
      [{ path: [], gone: [charger], come: ['a mouse'] }],
    ],
    [
      'items by their id, wherever they stand',
      [trial('a'), trial('b')],
      [trial('c'), trial('a'), trial('b', { reseat: true })],
      [
        { path: [], gone: [], come: [trial('c')] },
        { path: ['3', 'reseat'], was: false, is: true },
      ],
    ],
    [
      'items without one by their place',
      { rows: [{ ranks: 1 }, { ranks: 2 }] },
      { rows: [{ ranks: 1 }, { ranks: 4 }] },
      [{ path: ['rows', '2', 'ranks'], was: 2, is: 4 }],
    ],
  ])('%s', (_, was, is, changed) => {
    const difference = differenceOf(was, is)
    expect(changedIn(difference ?? null)).toEqual(expect.arrayContaining(changed))
    expect(changedIn(difference ?? null)).toHaveLength(changed.length)
  })
})

test('nothing differs between like things, whatever the order of their keys', () => {
  expect(differenceOf({ a: 1, b: [2] }, { b: [2], a: 1 })).toBeUndefined()
})

test('a long text is cut, and what it was is not known then', () => {
  const long = 'x'.repeat(KEPT_TEXT + 1)
  const cut = `${'x'.repeat(KEPT_TEXT)}…`
  expect(differenceOf({ note: long }, { note: 'y' })).toEqual({ note: [cut, 'y'] })
  expect(valueBefore({ note: 'y' }, { note: [cut, 'y'] })).toBeUndefined()
  expect(valueBefore([], { _t: 'a', _0: [{ note: cut }, 0, 0] })).toBeUndefined()
  // What came may be as long as it likes: it is there to be seen.
  expect(valueBefore({ note: long }, differenceOf({ note: 'y' }, { note: long }) ?? null)).toEqual({
    note: 'y',
  })
})

test('too much to keep is not kept in part', () => {
  const many = Array.from({ length: 200 }, (_, at) => `word number ${at}, written out`)
  expect(differenceOf([], many)).toBeNull()
})

test.each(['__proto__', 'toString', 'constructor', '_t'])('a key %s is not compared', (key) => {
  const value = JSON.parse(`{"in":{"${key}":{"a":1}}}`)
  expect(differenceOf(value, {})).toBeNull()
  expect(differenceOf([], [value])).toBeNull()
  expect(differenceOf(value, structuredClone(value))).toBeUndefined()
})

test('what a value was comes back from what it is', () => {
  const json = fc.json({ maxDepth: 4 }).map((one): unknown => JSON.parse(one))
  fc.assert(
    fc.property(json, json, (was, is) => {
      const difference = differenceOf(was, is)
      fc.pre(difference !== null)
      const back = difference === undefined ? is : valueBefore(is, difference)
      expect(back).toEqual(was)
    }),
  )
})
