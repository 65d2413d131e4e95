import { expect, test } from 'vitest'
import { COLLECTIONS, FACTS, KINDS } from '.'

test.each(COLLECTIONS)(
  '%s: a change joins a create only where the create takes all it may set',
  (collection) => {
    const { made, patch, inJob } = KINDS[collection]
    const taken = Object.keys(made?.shape ?? {})
    const all = Object.keys(patch.shape).every((name) => name === 'version' || taken.includes(name))
    expect(FACTS[collection].joins).toBe(made !== null && inJob !== 'at-most-one' && all)
  },
)

test.each(COLLECTIONS)('%s: its entries and its blank are fields that are stored', (collection) => {
  const { stored, entries, blank } = KINDS[collection]
  const fields = Object.keys(stored.shape)
  for (const name of [...entries, ...Object.keys(blank)]) expect(fields).toContain(name)
})
