import { expect, test } from 'vitest'
import { evaluate } from '../../judging/evaluate'
import { fasteningOf, Machine, usualSpeed } from '../model'
import { answersOf, choicesFor, matching, QUESTIONS } from './choose'
import { STARTING_MACHINES } from './starting'

test.each(STARTING_MACHINES)('$id is a machine the model accepts as it stands', ({ machine }) => {
  expect(Machine.parse(machine)).toEqual(machine)
})

test.each(STARTING_MACHINES)('$id runs empty only where memory is soldered', ({ machine }) => {
  const { starts } = evaluate({ machine, placement: {}, settings: { profile: false } })
  expect(starts).toBe(machine.soldered.length > 0)
})

test('each says what holds its modules, and no ceiling is assumed but where the kind is one', () => {
  for (const { id, machine } of STARTING_MACHINES) {
    if (machine.slots.length > 0) expect(machine.fastening, id).toBe(fasteningOf(machine))
    const tied = machine.clocks === 'fabric-with-memory' || machine.clocks === 'fabric-apart'
    if (!tied) expect(machine.syncCeiling, id).toBeNull()
    expect(machine.limits.firmwareDataRate, id).toBeNull()
    expect(machine.ecc, id).not.toBe('refused')
    expect(
      machine.slots.some(({ mustFill }) => mustFill),
      id,
    ).toBe(false)
  }
})

test('soldered banks carry the timings usual for their kind', () => {
  // 18.75 ns at 6400 MT/s are 60 clocks of 0.3125 ns.
  const slim = STARTING_MACHINES.find(({ id }) => id === 'laptop-soldered')?.machine
  expect(slim?.soldered[0]?.module.speeds).toEqual([usualSpeed('LPDDR5', 6400)])
  expect(slim?.soldered[0]?.module.speeds[0]?.cl).toBe(60)
})

test('the answers of a machine always leave that machine', () => {
  for (const start of STARTING_MACHINES) {
    const answers = answersOf(start.machine)
    expect(matching(answers)).toContain(start)
    for (const what of QUESTIONS) expect(choicesFor(what, answers)).toContain(answers[what])
  }
})

test('few questions tell the kinds apart', () => {
  expect(matching({ kind: 'laptop', generation: 'DDR5', soldered: true })).toHaveLength(1)
  expect(choicesFor('slots', { kind: 'all-in-one' })).toEqual([4, 2])
  expect(matching({})).toHaveLength(STARTING_MACHINES.length)
})
