import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { desktop, stick } from '../../../test/builders'
import {
  type Assignment,
  assign,
  clear,
  costOf,
  movesOf,
  nextUnit,
  type Piece,
  piecesById,
  placementOf,
  prune,
  purchasesOf,
} from './assignment'

const own: Piece = { id: 'own', source: 'customer', module: stick(), price: null }
const shelf: Piece = { id: 'shelf', source: 'shelf', module: stick(), price: 1500 }
const kit: Piece = {
  id: 'kit',
  source: 'supplier',
  module: stick({ kit: { id: 'K', size: 2 } }),
  price: 6000,
}
const pieces = piecesById([own, shelf, kit])
const at = (moduleId: string, unit = 0) => ({ moduleId, unit })

describe('putting pieces in slots', () => {
  test('into an empty slot, over another, and changing places', () => {
    const one = assign({}, 'A2', at('own'))
    expect(one).toEqual({ A2: at('own') })
    const two = assign(one, 'B2', at('shelf'))
    expect(assign(two, 'A2', at('kit'))).toEqual({ A2: at('kit'), B2: at('shelf') })
    expect(assign(two, 'A2', at('shelf'))).toEqual({ A2: at('shelf'), B2: at('own') })
    expect(assign(two, 'A1', at('shelf'))).toEqual({ A2: at('own'), A1: at('shelf') })
    expect(assign(two, 'A2', at('own'))).toEqual(two)
    expect(clear(two, 'A2')).toEqual({ B2: at('shelf') })
  })

  test('no piece is ever in two slots', () => {
    const slots = ['A1', 'A2', 'B1', 'B2']
    const move = fc.tuple(
      fc.constantFrom(...slots),
      fc.constantFrom('own', 'shelf', 'kit'),
      fc.integer({ min: 0, max: 2 }),
    )
    fc.assert(
      fc.property(fc.array(move), (moves) => {
        const end = moves.reduce<Assignment>(
          (now, [slot, id, unit]) => assign(now, slot, at(id, id === 'kit' ? unit : 0)),
          {},
        )
        const held = Object.values(end).map(({ moduleId, unit }) => `${moduleId} ${unit}`)
        expect(new Set(held).size).toBe(held.length)
      }),
    )
  })

  test('the next unit fills the gap', () => {
    expect(nextUnit({}, 'kit')).toBe(0)
    expect(nextUnit({ A1: at('kit', 0), B1: at('kit', 2), B2: at('own') }, 'kit')).toBe(1)
  })
})

describe('what an assignment means', () => {
  test('a placement names every slot; unknown slots and pieces are left out', () => {
    const assignment = { A2: at('own'), B2: at('gone'), Z9: at('shelf') }
    expect(placementOf(desktop(), assignment, pieces)).toEqual({
      A1: null,
      A2: own.module,
      B1: null,
      B2: null,
    })
    expect(prune(desktop(), assignment, pieces)).toEqual({ A2: at('own') })
  })

  test('each purchase of a kit is a kit of its own', () => {
    const assignment = { A1: at('kit', 0), A2: at('kit', 1), B1: at('kit', 2) }
    const placed = Object.values(placementOf(desktop(), assignment, pieces))
    expect(placed.map((module) => module?.kit?.id)).toEqual(['K #1', 'K #1', 'K #2', undefined])
  })

  test('cost: a kit once however many of its pieces are placed, the customer’s own for nothing', () => {
    expect(costOf({ A1: at('kit', 0), A2: at('kit', 1), B1: at('own') }, pieces)).toEqual({
      total: 6000,
      unpriced: 0,
    })
    expect(costOf({ A1: at('kit', 1), A2: at('kit', 2), B1: at('shelf') }, pieces).total).toBe(
      13500,
    )
    const unknown = piecesById([{ ...shelf, price: null }])
    expect(costOf({ A1: at('shelf') }, unknown)).toEqual({ total: 0, unpriced: 1 })
  })
})

test('what is bought, article by article, kits by the purchase', () => {
  const both = { A1: at('own'), A2: at('kit'), B2: at('kit', 1), B1: at('kit', 2), X: at('shelf') }
  expect(purchasesOf(both, pieces)).toEqual([
    { piece: kit, times: 2, price: 6000 },
    { piece: shelf, times: 1, price: 1500 },
  ])
})

test('what moves, and what comes out for good', () => {
  const found = { A1: at('a'), A2: at('b'), B1: at('c') }
  // b stays, a changes its slot, c goes, the new one comes: out 2, in 2.
  const planned = { A2: at('b'), B2: at('a'), B1: at('kit') }
  expect(movesOf(found, planned)).toEqual({ removed: ['c'], moves: 4 })
  expect(movesOf(found, found)).toEqual({ removed: [], moves: 0 })
})
