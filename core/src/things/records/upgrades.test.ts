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

test('virtual machines and models are works of their own; a work that the shop chose stays', () => {
  const uses = [
    { id: 'machines', work: 'compiling' },
    { id: 'models', work: 'rendering' },
    { id: 'compiling', work: 'compiling' },
    { id: 'own', work: 'rendering' },
  ]
  const worksOf = (of: typeof uses) => {
    const shop = upgraded('shop', { causes: {}, uses: { systemGiB: 4, uses: of } }, 1)
    return (shop.uses as { uses: typeof uses }).uses.map(({ work }) => work)
  }
  expect(worksOf(uses)).toEqual(['virtual-machines', 'models', 'compiling', 'rendering'])
  expect(worksOf([{ id: 'models', work: 'video' }])).toEqual(['video'])
})

test('what is in today’s shape is left as it is', () => {
  for (const kind of Object.keys(UPGRADES) as (keyof typeof UPGRADES)[]) {
    const record = { causes: {} }
    expect(upgraded(kind, record, shapeOf(kind))).toBe(record)
  }
})
