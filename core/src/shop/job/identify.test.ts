import { describe, expect, test } from 'vitest'
import { PRINTERS, type ReportedStick, RIGS } from '../../../test/consoles'
import { read } from '../../reading/inputs'
import { STARTING_MACHINES } from '../../things/machines'
import type { Machine } from '../../things/model'
import { identify } from './identify'

const four = STARTING_MACHINES.find(({ id }) => id === 'desktop-4')?.machine as Machine
const [stick] = RIGS.one as [ReportedStick]

/** Filled slots only, as CIM lists them. */
const filled = (...sticks: Partial<ReportedStick>[]) =>
  read(
    PRINTERS.list?.(sticks.map((one, at) => ({ ...stick, serial: `0000000${at}`, ...one }))) ?? '',
  )

describe('identify', () => {
  const report = (sticks: Partial<ReportedStick>[]) => identify(four, [filled(...sticks)])
  const ddr5 = {
    type: 34,
    generation: 'DDR5',
    form: 'DIMM',
    speed: 5600,
    configured: 5200,
  } as const

  test('places what is known, with how it runs beside what it is', () => {
    const { placement, unseated, facts, questions, emptySlots } = report([
      { ...ddr5, locator: 'DIMM_A2', gib: 16, millivolts: 1100 },
      { ...ddr5, locator: 'DIMM_B2', gib: 16, millivolts: 1100 },
    ])
    expect(Object.keys(placement)).toEqual(['A2', 'B2'])
    expect(placement.A2).toMatchObject({ voltages: [1.1], speeds: [{ dataRate: 5600 }] })
    expect(unseated).toEqual([])
    expect(emptySlots).toEqual([])
    expect(facts).toContainEqual(
      expect.objectContaining({ subject: 'A2', what: 'runsAt', value: 5200 }),
    )
    expect(questions).toContainEqual({ code: 'CONTENT_OF_SLOTS', slots: ['A1', 'B1'], modules: [] })
  })

  test('asks which slots modules are in that it cannot place', () => {
    const { placement, unseated, questions } = report([
      { ...ddr5, locator: 'DIMM 1', bank: '' },
      { ...ddr5, locator: 'DIMM 3', bank: '' },
    ])
    expect(placement).toEqual({})
    expect(unseated).toHaveLength(2)
    expect(questions[0]).toEqual({
      code: 'WHICH_SLOTS',
      slots: ['A1', 'A2', 'B1', 'B2'],
      modules: [0, 1],
    })
  })

  test('a kit’s line is two modules; a form factor that is not printed is asked', () => {
    const { unseated, questions } = identify(four, [
      read('32GB Kit (2 x 16GB) DDR5-6000 CL36-36-36-96 1.35V UDIMM'),
    ])
    expect(unseated.map(({ capacityGiB, kit }) => [capacityGiB, kit?.size])).toEqual([
      [16, 2],
      [16, 2],
    ])
    expect(questions.map(({ code }) => code)).toContain('STANDARD_SPEED')
    const bare = identify(four, [read('16GB DDR5-5600 CL46')])
    expect(bare.unseated).toEqual([])
    expect(bare.questions.map(({ code }) => code)).toContain('MODULE_FORM')
  })
})
