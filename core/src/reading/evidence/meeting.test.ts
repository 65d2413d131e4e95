import { describe, expect, test } from 'vitest'
import { STARTING_MACHINES } from '../../things/machines'
import type { Machine } from '../../things/model'
import { read } from '../inputs'
import { differencesOf, type EvidenceCase, emptyKey, type Input, weigh } from '.'

const desktop = STARTING_MACHINES.find(({ id }) => id === 'desktop-4')?.machine as Machine

const device = (locator: string, gib: number, more = '') =>
  `Memory Device\n\tSize: ${gib === 0 ? 'No Module Installed' : `${gib} GB`}\n\tForm Factor: DIMM\n\tLocator: DIMM_${locator}\n\tType: DDR5\n${more}`
const report = (...devices: string[]) => devices.join('\n\n')
const KIT = '32GB Kit (2x16GB) DDR5-5600 CL46 UDIMM P/N LK5-16-5600'
const PART = '\tPart Number: LK5-16-5600\n'

function evidenceOf(texts: string[], changes: Partial<EvidenceCase> = {}) {
  const inputs = texts.map(
    (text, at): Input => ({
      id: `r${at}`,
      reading: read(text),
      seats: {},
    }),
  )
  return weigh({ machine: desktop, sources: {}, inputs, rulings: {}, runsAt: null, ...changes })
}

describe('a kit’s label and a report of the machine', () => {
  test('belong to the slots that show its part number', () => {
    const found = report(
      device('A1', 0),
      device('A2', 16, PART),
      device('B1', 0),
      device('B2', 16, PART),
    )
    for (const texts of [
      [found, KIT],
      [KIT, found],
    ]) {
      const { slots, loose, questions, disputes } = evidenceOf(texts)
      expect(slots.map(({ slot }) => slot)).toEqual(['A2', 'B2'])
      expect(
        slots.map(
          ({ beliefs }) => beliefs.find(({ what }) => what === 'capacityGiB')?.claims.length,
        ),
      ).toEqual([2, 2])
      expect(slots[0]?.made?.module.speeds[0]).toMatchObject({ dataRate: 5600, cl: 46 })
      expect([loose, questions, disputes]).toEqual([[], [], []])
    }
  })

  test('are asked about where more slots have the part number than the kit has pieces', () => {
    const four = ['A1', 'A2', 'B1', 'B2'].map((name) => device(name, 16, PART))
    expect(evidenceOf([report(...four), KIT]).loose).toHaveLength(2)
  })

  test('without a part number are asked about, taken slots and empty ones too', () => {
    const found = report(device('A1', 0), device('A2', 16), device('B1', 0), device('B2', 16))
    const { questions } = evidenceOf([found, KIT.replace(/ P.*/, '')])
    expect(questions).toMatchObject([{ slots: ['A2', 'B2', 'A1', 'B1'], alike: true }])
  })
})

describe('a slot that a report calls empty and a label fills', () => {
  const found = report(device('A1', 0), device('A2', 16), device('B1', 0), device('B2', 16))
  const label = '16GB 1Rx8 PC5-5600B-UA0'
  const inputs = (seat: string): Input[] =>
    [found, label].map((text, at) => ({
      id: `r${at}`,
      reading: read(text),
      seats: (at === 1 ? { 0: seat } : {}) as Record<string, string>,
    }))
  const ruled = (value: boolean) => ({
    [emptyKey('A1')]: { value, source: 'opened', by: 'Mika', at: '2030-02-10T10:00:00Z' } as const,
  })

  test('is a conflict, and nothing goes into it', () => {
    const evidence = evidenceOf([], { inputs: inputs('A1') })
    expect(evidence.disputes).toMatchObject([
      {
        code: 'SLOT_EMPTY',
        subject: 'A1',
        key: 'slot.A1.empty',
        options: [{ value: false }, { value: true }],
      },
    ])
    expect(differencesOf(evidence, {}).map(({ slot }) => slot)).toEqual(['A2', 'B2'])
  })

  test('holds the module once somebody looked, or the module is asked about again', () => {
    const filled = evidenceOf([], { inputs: inputs('A1'), rulings: ruled(false) })
    expect(filled.disputes).toEqual([])
    expect(differencesOf(filled, {}).map(({ slot }) => slot)).toEqual(['A1', 'A2', 'B2'])
    const empty = evidenceOf([], { inputs: inputs('A1'), rulings: ruled(true) })
    expect(empty.states.A1).toBe('empty')
    expect(empty.loose).toHaveLength(1)
  })

  test('is none where the module goes with one that is there', () => {
    const evidence = evidenceOf([], { inputs: inputs('A2') })
    expect(evidence.disputes).toEqual([])
    expect(evidence.slots.find(({ slot }) => slot === 'A2')?.made?.module.capacityGiB).toBe(16)
  })
})

test('a page that names another generation than the record is a conflict, with both', () => {
  const { disputes } = evidenceOf(['Maximum memory: 32GB DDR4-2400\nMemory slots: 2 SO-DIMM'])
  const about = disputes.find(({ what }) => what === 'generation')
  expect(about?.options.map(({ value }) => value).toSorted()).toEqual(['DDR4', 'DDR5'])
})

test('soldered memory of which the capacity is open is not said to be nothing', () => {
  const { machine } = evidenceOf(['4GB DDR5 + 4GB DDR5 onboard'])
  const soldered = machine.find(({ what }) => what === 'solderedGiB')
  expect(soldered?.claims.map(({ input }) => input)).toEqual([null])
})
