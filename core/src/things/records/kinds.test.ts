import { expect, test } from 'vitest'
import { COLLECTIONS, KIND_INFO, KINDS } from '.'

test('a change joins a create where a create takes all it may set', () => {
  const apart = COLLECTIONS.filter((collection) => !KIND_INFO[collection].joins)
  expect(apart).toEqual([
    'jobs',
    'quotes',
    'fits',
    'verifications',
    'handovers',
    'messages',
    'orders',
    'returns',
  ])
})

test('what the page is given of the kinds is data', () => {
  expect(JSON.parse(JSON.stringify(KIND_INFO))).toEqual(KIND_INFO)
})

test.each(COLLECTIONS)('%s: its entries and its blank are fields that are stored', (collection) => {
  const { stored, entries, blank } = KINDS[collection]
  const fields = Object.keys(stored.shape)
  for (const name of [...entries, ...Object.keys(blank)]) expect(fields).toContain(name)
})
