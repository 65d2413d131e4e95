import { evaluate } from '@tembrix/core/judging/evaluate'
import { STARTING_MACHINES } from '@tembrix/core/things/machines'
import { describe, expect, test } from 'vitest'
import {
  atRate,
  draftOf,
  inGeneration,
  likelyModule,
  type ModuleDraft,
  ModuleForm,
  withProfile,
} from './moduleForm'

function check(draft: ModuleDraft) {
  const { data, error } = ModuleForm.safeParse(draft)
  return { module: data ?? null, faults: (error?.issues ?? []).map(({ path }) => path.join('.')) }
}

describe.each(STARTING_MACHINES)('the likely module of $id', ({ machine }) => {
  const draft = likelyModule(machine)

  test('is acceptable, and fits wherever there is a slot', () => {
    const { module, faults } = check(draft)
    expect(faults).toEqual([])
    const slot = [...machine.slots].sort((a, b) => (a.order ?? 0) - (b.order ?? 0))[0]
    if (!slot) return
    const placement = { [slot.id]: module }
    expect(evaluate({ machine, placement, settings: { profile: false } }).starts).toBe(true)
  })
})

test('a rate brings its usual timings and leaves profiles alone', () => {
  const machine = STARTING_MACHINES.find(({ id }) => id === 'desktop-4')?.machine
  if (!machine) throw new Error('no such machine')
  const draft = withProfile(likelyModule(machine), true)
  expect(draft).toMatchObject({ capacityGiB: 16, ranks: 1, deviceWidth: 8 })
  expect(atRate(draft, 4800).speeds).toMatchObject([
    { kind: 'standard', dataRate: 4800, cl: 40 },
    { kind: 'profile', dataRate: 5600 },
  ])
  expect(withProfile(draft, false).speeds).toHaveLength(1)
  expect(check(inGeneration(draft, 'DDR3', machine)).module).toMatchObject({ voltages: [1.5] })
  const low = { generation: 'DDR3' as const, voltages: [1.35] }
  expect(check(inGeneration(draft, 'DDR3', low)).module).toMatchObject({ voltages: [1.35] })
})

test('what cannot be is refused at its place, and what was typed stays', () => {
  const machine = STARTING_MACHINES[0]?.machine
  if (!machine) throw new Error('no machine')
  const draft = { ...likelyModule(machine), capacityGiB: 3 }
  draft.speeds = [{ ...draft.speeds[0], cl: 'nine' }]
  const { module, faults } = check(draft)
  expect(module).toBeNull()
  expect(faults.toSorted()).toEqual(['capacityGiB', 'speeds.0.cl'])
  expect(draft).toMatchObject({ capacityGiB: 3, speeds: [{ cl: 'nine' }] })
})

test('a module without a part number is named by its figures', () => {
  const machine = STARTING_MACHINES[0]?.machine
  if (!machine) throw new Error('no machine')
  expect(check(likelyModule(machine)).module?.article).toBe('8 GB DDR4-3200 1R×8')
  const again = check(likelyModule(machine)).module
  expect(again && check(draftOf(again)).module).toEqual(again)
})

test('a voltage above the standard’s is the memory profile’s; the module keeps its own', () => {
  const machine = STARTING_MACHINES.find(({ id }) => id === 'desktop-4-ddr4')?.machine
  const draft = withProfile(likelyModule(machine as never), true)
  const typed = { ...draft, voltages: [1.35] }
  const { module } = check(typed)
  expect(module?.voltages).toEqual([1.2])
  expect(module?.speeds.find(({ kind }) => kind === 'profile')?.voltage).toBe(1.35)
  const placement = { A2: module as never }
  const settings = { profile: false }
  expect(evaluate({ machine: machine as never, placement, settings }).starts).toBe(true)
})
