import { expect, test } from 'vitest'
import { COLLECTIONS, FACTS, JobFile, KINDS } from '.'

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

test('a job holds the lists that are said to be in it', () => {
  const held = COLLECTIONS.filter((one) => one in JobFile.shape)
  expect(held).toEqual(
    COLLECTIONS.filter((one) => ['many', 'at-most-one'].includes(FACTS[one].inJob ?? '')),
  )
})
