import { describe, expect, test } from 'vitest'
import type { ScrewPin } from '../../things/records'
import { backwards, lengthsOf, screwQuestions } from '.'

const pin = (id: string, lengthMm: number, changes: Partial<ScrewPin> = {}): ScrewPin => ({
  id,
  x: 0.5,
  y: 0.5,
  lengthMm,
  head: 'cross',
  captive: false,
  under: 'nothing',
  leftOut: false,
  ...changes,
})

const map = [
  pin('1', 4),
  pin('2', 8),
  pin('3', 4, { captive: true }),
  pin('4', 4),
  pin('5', 8, { leftOut: true }),
]
const back = (...ids: string[]) => new Set(ids)
const left = (counts: Record<number, number>) =>
  new Map(Object.entries(counts).map(([length, count]) => [Number(length), count]))

test('played backwards, without what was left out as damaged', () => {
  expect(backwards(map).map(({ id }) => id)).toEqual(['4', '3', '2', '1'])
  expect(lengthsOf(map)).toEqual([4, 8])
})

describe('closing', () => {
  test('all back and nothing left: no question', () => {
    expect(screwQuestions(map, back('1', '2', '3', '4'), left({}))).toEqual([])
  })
  test('holes without a screw are named, captive ones too', () => {
    expect(screwQuestions(map, back('1', '2'), null)).toEqual([
      { code: 'NOT_BACK', pins: ['3', '4'] },
    ])
  })
  test('one left over though all are filled: it has its hole taken by another', () => {
    expect(screwQuestions(map, back('1', '2', '3', '4'), left({ 8: 1 }))).toEqual([
      { code: 'LEFT_OVER', lengthMm: 8, count: 1, wants: ['2'], suspects: ['1', '4'] },
    ])
  })
  test('a long one left for a short hole: a short one is where it does not belong', () => {
    expect(screwQuestions(map, back('1', '2', '3'), left({ 8: 1 }))).toEqual([
      { code: 'NOT_BACK', pins: ['4'] },
      { code: 'MISSING', lengthMm: 4, count: 1 },
      { code: 'WRONG_LENGTH', lengthMm: 8, wants: ['2'], suspects: ['1'] },
    ])
  })
  test('fewer on the tray than holes are open: one is lost', () => {
    expect(screwQuestions(map, back('2', '3'), left({ 4: 1 }))).toEqual([
      { code: 'NOT_BACK', pins: ['1', '4'] },
      { code: 'MISSING', lengthMm: 4, count: 1 },
    ])
  })
})
