import { expect, test } from 'vitest'
import { desktop, slot, stick } from '../../../test/builders'
import type { Placement } from '../../things/model'
import { evaluate } from '../evaluate'
import { beliefFigures } from './beliefs'

const figuresOf = (placement: Placement, machine = desktop()) =>
  beliefFigures(machine, placement, evaluate({ machine, placement, settings: { profile: false } }))

test('uneven channels run together as far as they are equal', () => {
  const { zones } = figuresOf({ A2: stick({ capacityGiB: 16 }), B2: stick() })
  expect(zones.map(({ ways, gib }) => [ways, gib])).toEqual([
    [2, 16],
    [1, 8],
  ])
})

test('the order is told only where it is known of every slot', () => {
  const slots = [slot('A1', 'A', { order: 2 }), slot('A2', 'A', { order: 1, color: 'grey' })]
  expect(figuresOf({ A2: stick() }, desktop({ slots }))).toMatchObject({
    order: ['A2', 'A1'],
    colours: ['grey'],
  })
  const open = [slot('A1', 'A', { order: 2 }), slot('A2', 'A')]
  expect(figuresOf({ A2: stick() }, desktop({ slots: open })).order).toBeNull()
})

test('the speed on the label beside what it runs at, and what held it', () => {
  const limits = { ...desktop().limits, firmwareDataRate: 2666 }
  expect(figuresOf({ A2: stick() }, desktop({ limits })).speed).toEqual({
    runs: 2666,
    limitedBy: 'firmware',
    labelled: 3200,
  })
  expect(figuresOf({}).speed).toBeNull()
})
