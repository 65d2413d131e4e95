import { expect, test } from 'vitest'
import type { ShopModule } from '../../things/records'
import { isHere, type JobUnit, plannedParts, slotsWithWhatIsHere, type ToPlace } from '.'

const shelf = (of: Partial<ShopModule> = {}) =>
  ({ source: 'shelf', bad: null, fittedJobId: null, orderedFor: null, ...of }) as ShopModule
const pieces = new Map<string, ShopModule>([
  ['own', { source: 'customer', bad: null } as ShopModule],
  ['article', shelf({ source: 'supplier' })],
  ['lies-there', shelf()],
])
const unit = (of: Partial<JobUnit> = {}): JobUnit => ({
  moduleId: 'article',
  unit: 0,
  pieceId: null,
  dueOn: '2030-02-12',
  order: { id: 'o', number: 7, supplier: 'Marrowby Parts', sent: true },
  wrong: [],
  ...of,
})
const found = { A1: { moduleId: 'own', unit: 0 } }
const toPlace = (of: Partial<ToPlace> = {}): ToPlace => ({
  jobId: 'job',
  found,
  planned: { ...found, B1: { moduleId: 'article', unit: 0 } },
  pieces,
  units: [],
  fit: undefined,
  ...of,
})
const placeInB1 = (of: Partial<ToPlace>) => plannedParts(toPlace(of)).at(-1)?.place

test('a supplier’s part is to be ordered, in a draft, on its way, then here', () => {
  expect(placeInB1({})).toBe('to-order')
  const draft = unit({ order: { ...unit().order, sent: false } })
  expect(placeInB1({ units: [draft] })).toBe('draft')
  expect(placeInB1({ units: [unit()] })).toBe('on-its-way')
  expect(placeInB1({ units: [unit({ pieceId: 'came' })] })).toBe('here')
  expect(placeInB1({ units: [unit({ unit: 1, pieceId: 'came' })] })).toBe('to-order')
})

test('a part that came in place of the ordered one leaves it on its way', () => {
  const [, part] = plannedParts(toPlace({ units: [unit({ wrong: ['Q4-4'] })] }))
  expect(part).toMatchObject({ place: 'on-its-way', ordered: { wrong: ['Q4-4'] } })
})

test('a part that came and was put aside as bad is not here', () => {
  const orderedFor = { jobId: 'job', moduleId: 'article', unit: 0 }
  const bad = { at: '', by: '', why: '' }
  const came = new Map(pieces).set('came', shelf({ orderedFor, bad }))
  expect(placeInB1({ pieces: came, units: [unit({ pieceId: 'came' })] })).toBe('bad')
})

test('a part is here without an order where somebody said so, or it was fitted', () => {
  const fit = { hereWithoutOrder: [], finishedAt: null, fittedAs: null }
  expect(placeInB1({ fit: { ...fit, hereWithoutOrder: ['article 0'] } })).toBe('here')
  expect(placeInB1({ fit: { ...fit, finishedAt: '2030-02-10T09:00:00.000Z' } })).toBe('here')
  expect(placeInB1({ fit: { ...fit, fittedAs: toPlace().planned } })).toBe('here')
  expect(placeInB1({ fit })).toBe('to-order')
})

test.each([
  ['machine', { A1: { moduleId: 'own', unit: 0 } }, found],
  ['customer', { A1: { moduleId: 'own', unit: 0 } }, {}],
  ['shelf', { A1: { moduleId: 'lies-there', unit: 0 } }, {}],
  ['gone', { A1: { moduleId: 'sold', unit: 0 } }, {}],
] as const)('a part is placed as: %s', (place, planned, was) => {
  expect(plannedParts(toPlace({ planned, found: was }))[0]?.place).toBe(place)
})

test('a piece of the shelf that left with another job is gone', () => {
  const sold = new Map(pieces).set('lies-there', shelf({ fittedJobId: 'other' }))
  const planned = { A1: { moduleId: 'lies-there', unit: 0 } }
  expect(plannedParts(toPlace({ planned, pieces: sold }))[0]?.place).toBe('gone')
})

test('a slot whose part is not here holds what was found in it, unless that moves', () => {
  const planned = { A1: { moduleId: 'article', unit: 0 }, B1: { moduleId: 'own', unit: 0 } }
  const moved = plannedParts(toPlace({ planned }))
  expect(moved.map(isHere)).toEqual([false, true])
  expect(slotsWithWhatIsHere(found, moved)).toEqual({ B1: { moduleId: 'own', unit: 0 } })
  const only = plannedParts(toPlace({ planned: { A1: { moduleId: 'article', unit: 0 } } }))
  expect(slotsWithWhatIsHere(found, only)).toEqual(found)
})
