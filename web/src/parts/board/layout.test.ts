import { STARTING_MACHINES } from '@tembrix/core/things/machines'
import { describe, expect, test } from 'vitest'
import { layoutOf, type Rect } from './layout'

function apart(a: Rect, b: Rect): boolean {
  return (
    a.left + a.width <= b.left ||
    b.left + b.width <= a.left ||
    a.top + a.height <= b.top ||
    b.top + b.height <= a.top
  )
}

describe.each(STARTING_MACHINES)('the drawing of $id', ({ machine }) => {
  const { processor, slots, banks } = layoutOf(machine)
  const all = [processor, ...Object.values(slots), ...banks]

  test('shows every slot and bank on the board', () => {
    expect(Object.keys(slots)).toEqual(machine.slots.map(({ id }) => id))
    expect(banks).toHaveLength(machine.soldered.length)
    for (const { left, top, width, height } of all) {
      expect(Math.min(left, top, width, height)).toBeGreaterThan(0)
      expect(Math.max(left + width, top + height)).toBeLessThanOrEqual(100)
    }
  })

  test('with nothing over anything else', () => {
    all.forEach((one, at) => {
      for (const other of all.slice(at + 1)) expect(apart(one, other)).toBe(true)
    })
  })
})
