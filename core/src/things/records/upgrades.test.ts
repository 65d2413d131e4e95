import { expect, test } from 'vitest'
import { CauseTable, STARTING_CAUSES } from '../model'
import { NOTHING_SIZED } from './sizing'
import { shapeOf, UPGRADES, upgraded } from './upgrades'

test('a shop’s table of causes takes what is usual for a cause that it had not, and keeps its own', () => {
  const { setup: _, training: __, ...before } = { ...STARTING_CAUSES, seat: 44 }
  const { causes } = upgraded('shop', { causes: before }, 0)
  expect(CauseTable.parse(causes)).toEqual({ ...STARTING_CAUSES, seat: 44 })
})

test('graphics that nobody ticked are not known; what was ticked stays', () => {
  const of = (integratedGraphics: boolean) =>
    upgraded('job', { sizing: { ...NOTHING_SIZED, integratedGraphics } }, 0).sizing
  expect(of(true)).toMatchObject({ integratedGraphics: true, disk: 'unknown' })
  expect(of(false)).toMatchObject({ integratedGraphics: null })
  expect(upgraded('job', {}, 0)).toEqual({})
})

test('what is in today’s shape is left as it is', () => {
  for (const kind of Object.keys(UPGRADES) as (keyof typeof UPGRADES)[]) {
    const record = { causes: {} }
    expect(upgraded(kind, record, shapeOf(kind))).toBe(record)
  }
})
