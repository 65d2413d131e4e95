import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { deepEqual } from '../model'
import { merge, mergeFields } from '.'

const merged = (base: unknown, mine: unknown, theirs: unknown) => merge(base, mine, theirs)
const clean = (value: unknown) => ({ value, clash: false })

describe('what two made of one value', () => {
  test('what only one changed is that one’s', () => {
    expect(merged('a', 'b', 'a')).toEqual(clean('b'))
    expect(merged('a', 'a', 'b')).toEqual(clean('b'))
    expect(merged('a', 'b', 'b')).toEqual(clean('b'))
    expect(merged('a', 'b', 'c')).toEqual({ value: 'b', clash: true })
  })

  test('ticks of two hands stand both; one taken back stays taken back', () => {
    expect(merged({ a: 1 }, { a: 1, b: 2 }, { a: 1, c: 3 })).toEqual(clean({ a: 1, b: 2, c: 3 }))
    expect(merged({ a: 1, b: 2 }, { b: 2 }, { a: 1, b: 2, c: 3 })).toEqual(clean({ b: 2, c: 3 }))
    expect(merged({ a: 1 }, { a: 2 }, { a: 3 })).toEqual({ value: { a: 2 }, clash: true })
    // Taken away here and changed there.
    expect(merged({ a: 1 }, {}, { a: 3 })).toEqual({ value: {}, clash: true })
  })

  test('a step that both ticked was done once, by whoever was stored first', () => {
    const [mine, theirs] = [
      { at: '10:01', by: 'Mika', note: '' },
      { at: '10:00', by: 'Rada', note: '' },
    ]
    expect(merged({}, { a: mine }, { a: theirs })).toEqual(clean({ a: theirs }))
    const [later, sooner] = ['2026-03-01T10:01:00.000Z', '2026-03-01T10:00:00.000Z']
    const began = [
      { runningSince: null },
      { runningSince: later },
      { runningSince: sooner },
    ] as const
    expect(mergeFields([], ...began)).toEqual({ fields: { runningSince: sooner }, clashes: [] })
    const said = { a: { ...mine, note: 'stiff' } }
    expect(merged({}, said, { a: theirs })).toMatchObject({ clash: true })
  })

  test('entries with an id are merged by it, in their order and then mine', () => {
    const [a, b, c] = ['a', 'b', 'c'].map((id) => ({ id, at: 1 }))
    expect(merged([a], [a, b], [a, c])).toEqual(clean([a, c, b]))
    expect(merged([a, b], [b], [a, b, c])).toEqual(clean([b, c]))
    expect(merged([a], [{ ...a, by: 'me' }], [{ ...a, at: 2 }])).toEqual(
      clean([{ id: 'a', at: 2, by: 'me' }]),
    )
  })

  test('words are a set; figures that both only added to are added both', () => {
    expect(merged(['x'], ['x', 'y'], ['z'])).toEqual(clean(['z', 'y']))
    expect(merged([1, 2], [1, 2, 3], [1, 2, 4])).toEqual(clean([1, 2, 4, 3]))
    expect(merged([1, 2], [1], [1, 2, 4])).toEqual({ value: [1], clash: true })
  })

  test('whoever wrote first: without a clash, both orders come to the same entries', () => {
    const ticks = fc.dictionary(fc.constantFrom('a', 'b', 'c', 'd'), fc.nat(3))
    fc.assert(
      fc.property(ticks, ticks, ticks, (base, mine, theirs) => {
        const [one, other] = [merged(base, mine, theirs), merged(base, theirs, mine)]
        expect(one.clash).toBe(other.clash)
        if (!one.clash) expect(deepEqual(one.value, other.value)).toBe(true)
        // What I changed is always in what comes of it.
        for (const [key, value] of Object.entries(mine)) {
          if (base[key] !== value) expect((one.value as typeof mine)[key]).toBe(value)
        }
      }),
    )
  })
})

test('fields of a record: other fields never clash, whole ones do where both changed them', () => {
  const record = { version: 4, note: 'theirs', ticks: { b: 1 }, placement: { A: 'x' } }
  expect(
    mergeFields(['ticks'], { note: 'old', ticks: {} }, { note: 'mine', ticks: { a: 1 } }, record),
  ).toEqual({ fields: { note: 'mine', ticks: { b: 1, a: 1 } }, clashes: ['note'] })
  // A placement is one thing: two modules must not come into one slot, nor one into two.
  expect(mergeFields([], { placement: {} }, { placement: { B: 'y' } }, record).clashes).toEqual([
    'placement',
  ])
  expect(mergeFields([], { name: 'p' }, { name: 'q' }, { ...record, name: 'p' })).toEqual({
    fields: { name: 'q' },
    clashes: [],
  })
  // Where the other side is preferred, what only I changed still stands.
  const both = mergeFields(
    ['ticks'],
    { note: 'old', ticks: { b: 0 } },
    { note: 'mine', ticks: { a: 1, b: 2 } },
    record,
    'theirs',
  )
  expect(both).toEqual({
    fields: { note: 'theirs', ticks: { a: 1, b: 1 } },
    clashes: ['note', 'ticks'],
  })
})
