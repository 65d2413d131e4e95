import { STARTING_MACHINES } from '@tembrix/core/things/machines'
import { type Machine, type Module, usualSpeed } from '@tembrix/core/things/model'
import { describe, expect, test } from 'vitest'
import type { WhatIf } from '../../base/data/whatIf'
import { linkTextOf, whatIfFrom } from './link'

const machine = STARTING_MACHINES.find(({ id }) => id === 'workstation-8')?.machine as Machine
const module: Module = {
  article: '16 GB “odd” name',
  generation: 'DDR4',
  formFactor: 'DIMM',
  buffering: 'registered',
  ecc: true,
  capacityGiB: 16,
  ranks: 2,
  deviceWidth: 4,
  voltages: [1.2],
  speeds: [usualSpeed('DDR4', 2933)],
  kit: null,
}
const [first, second] = [crypto.randomUUID(), crypto.randomUUID()]
const state: WhatIf = {
  machine,
  modules: [
    { id: first, module },
    { id: second, module: { ...module, capacityGiB: 32 } },
  ],
  slots: { A1: { moduleId: second, unit: 0 }, B1: { moduleId: second, unit: 1 } },
  profile: true,
}

/** A state with modules named by their size, since ids are new each time. */
const plain = (of: WhatIf | null) =>
  of && {
    ...of,
    modules: of.modules.map((one) => one.module),
    slots: Object.fromEntries(
      Object.entries(of.slots).map(([slot, { moduleId, unit }]) => [
        slot,
        [of.modules.find(({ id }) => id === moduleId)?.module.capacityGiB, unit],
      ]),
    ),
  }

describe('a link', () => {
  test('holds the whole state, in characters an address can have', () => {
    const text = linkTextOf(state)
    expect(text).toMatch(/^[\w-]+$/)
    expect(text.length).toBeLessThan(2000)
    expect(plain(whatIfFrom(text))).toEqual(plain(state))
  })

  test('cut short, changed or of something else is none, and throws nothing', () => {
    const text = linkTextOf(state)
    expect(whatIfFrom(text.slice(0, -20))).toBeNull()
    expect(whatIfFrom(`x${text.slice(1)}`)).toBeNull()
    for (const other of ['', '%%%', 'AAAA', btoa('{"machine":1}'), 'A'.repeat(30_000)]) {
      expect(whatIfFrom(other)).toBeNull()
    }
  })

  test('that puts modules in slots the machine has not leaves them out', () => {
    const fewer = { ...state, machine: { ...machine, slots: machine.slots.slice(1) } }
    const opened = whatIfFrom(linkTextOf({ ...fewer, slots: state.slots }))
    expect(Object.keys(opened?.slots ?? {})).not.toContain(machine.slots[0]?.id)
  })
})
