import { expect, test } from 'vitest'
import { SHORTCUTS } from './shortcuts'

const all = Object.values(SHORTCUTS)

test('no key does two things in one place, nor one thing everywhere and another in a place', () => {
  const places = ['at the board', 'in a list', 'at the bench']
  for (const place of places) {
    const shown = all
      .filter(({ where }) => where === place || where === 'everywhere')
      .map((one) => one.shown.join(' '))
    expect(new Set(shown).size, place).toBe(shown.length)
  }
})

test('what is heard wherever the focus is has a key of its own', () => {
  const heard = all.flatMap((one) => ('keys' in one ? [one.keys].flat() : []))
  expect(new Set(heard).size).toBe(heard.length)
})
