import { expect, test } from 'vitest'
import { evaluate } from '../evaluate'
import { Machine } from '../model'
import { STARTING_MACHINES } from './starting'

test.each(STARTING_MACHINES)('$id is a machine the model accepts as it stands', ({ machine }) => {
  expect(Machine.parse(machine)).toEqual(machine)
})

test.each(STARTING_MACHINES)('$id runs empty only where memory is soldered', ({ machine }) => {
  const { starts } = evaluate({ machine, placement: {}, settings: { profile: false } })
  expect(starts).toBe(machine.soldered.length > 0)
})
