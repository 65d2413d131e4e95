import { expect, test } from 'vitest'
import { desktop, stick } from '../../../test/builders'
import { plan } from '../../judging/plan'
import type { ModuleRecord } from '../../things/records'
import { planSupply, staying } from '.'

type Stocked = Pick<ModuleRecord, 'id' | 'source' | 'module' | 'price'>

const kit = { id: 'k', size: 2 }
const own: Stocked[] = [{ id: 'own', source: 'customer', module: stick(), price: null }]
const shop: Stocked[] = [
  { id: 'left', source: 'shelf', module: stick({ capacityGiB: 16, kit }), price: 2000 },
  { id: 'single', source: 'shelf', module: stick({ capacityGiB: 8 }), price: 1500 },
  { id: 'right', source: 'shelf', module: stick({ capacityGiB: 16, kit }), price: 2100 },
  { id: 'half', source: 'shelf', module: stick({ kit: { id: 'torn', size: 2 } }), price: 1200 },
  { id: 'pair', source: 'supplier', module: stick({ capacityGiB: 32, kit }), price: 9000 },
  { id: 'bare', source: 'shelf', module: stick(), price: null },
]

test('the shelf’s pieces can be had once, its whole kits together, the supplier’s many times', () => {
  const { onHand, offers, unpriced } = planSupply(own, shop)
  expect(onHand).toEqual([stick()])
  expect(offers.map(({ id, pieces, price, stock }) => [id, pieces, price, stock])).toEqual([
    ['single', 1, 1500, 1],
    ['pair', 2, 9000, 8],
    ['left', 2, 4100, 1],
    ['half', 1, 1200, 1],
  ])
  expect(unpriced.map(({ id }) => id)).toEqual(['bare'])
})

test('an option comes back as the stored pieces it is made of', () => {
  const supply = planSupply(own, shop)
  const need = { minGiB: 0, budget: null }
  const { options } = plan({
    machine: desktop(),
    ...supply,
    need,
    policy: 'capacity',
    settings: { profile: false },
  })
  const slotsOf = (cost: number, gib: number) => {
    const option = options.find((one) => one.cost === cost && one.usableGiB === gib)
    return option && Object.values(supply.assignmentOf(option.placement))
  }
  expect(slotsOf(0, 8)).toEqual([{ moduleId: 'own', unit: 0 }])
  expect(
    slotsOf(4100, 32)
      ?.map(({ moduleId }) => moduleId)
      .sort(),
  ).toEqual(['left', 'right'])
  expect(slotsOf(18_000, 128)).toEqual([0, 1, 2, 3].map((unit) => ({ moduleId: 'pair', unit })))
})

test('a piece of the customer’s stays where it was found, where that changes nothing', () => {
  const pieces = new Map([...own, ...shop].map((piece) => [piece.id, piece]))
  const of = (moduleId: string) => ({ moduleId, unit: 0 })
  const found = { A2: of('own') }
  const swapped = { A2: of('single'), B2: of('own') }
  expect(staying(swapped, found, pieces)).toEqual({ A2: of('own'), B2: of('single') })
  const unlike = { A2: of('left'), B2: of('own') }
  expect(staying(unlike, found, pieces)).toEqual(unlike)
  const moved = { B2: of('own') }
  expect(staying(moved, found, pieces)).toEqual(moved)
})
