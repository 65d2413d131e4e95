import { describe, expect, test } from 'vitest'
import { slot, stick } from '../../../test/builders'
import { STARTING_MACHINES } from '../../things/machines'
import type { Machine } from '../../things/model'
import { read, trustOf, writeDdr4 } from '../inputs'
import { type EvidenceCase, type Input, settled, weigh } from '.'

const laptop = STARTING_MACHINES.find(({ id }) => id === 'laptop-2')?.machine as Machine

let count = 0
function input(content: string | Uint8Array, changes: Partial<Input> = {}): Input {
  count += 1
  return {
    id: `r${count}`,
    reading: read(content),
    seats: {},
    ...changes,
  }
}

function caseOf(inputs: Input[], changes: Partial<EvidenceCase> = {}): EvidenceCase {
  return { machine: laptop, sources: {}, inputs, rulings: {}, runsAt: null, ...changes }
}

const ruling = (value: string | number | boolean) =>
  ({ value, source: 'opened', by: 'Mika', at: '2026-03-01T10:05:00.000Z' }) as const

function device(locator: string, lines: string[]): string {
  return ['Memory Device', `Locator: ${locator}`, ...lines, ''].join('\n')
}

const EMPTY = ['Size: No Module Installed']
const FITTED = [
  'Size: 8 GB',
  'Form Factor: SODIMM',
  'Type: DDR4',
  'Speed: 3200 MT/s',
  'Configured Memory Speed: 2667 MT/s',
  'Rank: 1',
  'Serial Number: 1A2B',
  'Part Number: M4S-8',
]
const PHANTOMS = [
  'Physical Memory Array',
  'Maximum Capacity: 64 GB',
  'Number Of Devices: 4',
  device('ChannelA-DIMM0', EMPTY),
  device('ChannelA-DIMM1', FITTED),
  device('ChannelB-DIMM0', EMPTY),
  device('ChannelB-DIMM1', EMPTY),
].join('\n')

describe('a readout that claims four slots on a laptop of two', () => {
  const inputs = [input(PHANTOMS)]
  const evidence = weigh(caseOf(inputs))

  test('is a contradiction with both answers and the ways to settle it', () => {
    const [first] = evidence.disputes
    expect(first).toMatchObject({ code: 'SLOT_COUNT', key: 'machine.slotCount' })
    expect(first?.options.map(({ value }) => value)).toEqual([4, 2])
    expect(first?.ways[0]).toBe('opened')
  })

  test('the record’s start is a guess, the readout is believed more; both stay visible', () => {
    const entry = evidence.machine.find(({ what }) => what === 'slotCount')
    expect(entry?.value).toBe(4)
    expect(entry?.claims.map((one) => [trustOf(one), one.value, one.input])).toEqual([
      ['weak', 4, inputs[0]?.id],
      ['guess', 2, null],
    ])
  })

  test('its module goes to the slot of its channel, filled names first', () => {
    expect(evidence.slots.map(({ slot: id }) => id)).toEqual(['A'])
    expect(evidence.slots[0]?.made?.module).toMatchObject({
      article: 'M4S-8',
      capacityGiB: 8,
      speeds: [{ dataRate: 3200, cl: 22 }],
    })
    expect(evidence.slots[0]?.made?.assumed).toContain('deviceWidth')
    expect(evidence.slots[0]?.made?.assumed).not.toContain('ranks')
  })

  test('settled as two, the record keeps its two slots, with who said so', () => {
    const rulings = { 'machine.slotCount': ruling(2) }
    const after = weigh(caseOf(inputs, { rulings }))
    expect(after.disputes.filter(({ code }) => code === 'SLOT_COUNT')).toEqual([])
    expect(after.machine.find(({ what }) => what === 'slotCount')?.value).toBe(2)
    const { machine, sources } = settled(
      { machine: laptop, sources: {} },
      'machine.slotCount',
      ruling(2),
      evidence,
    )
    expect(machine.slots.map(({ id }) => id)).toEqual(['A', 'B'])
    expect(sources.slots).toMatchObject({ source: 'opened', by: 'Mika' })
  })

  test('settled as one, the slot with the module stays', () => {
    const { machine } = settled({ machine: laptop, sources: {} }, 'machine.slotCount', ruling(1), {
      slots: [{ ...evidence.slots[0], slot: 'B' } as never],
      soldered: [],
      lettering: [],
    })
    expect(machine.slots.map(({ id }) => id)).toEqual(['B'])
  })

  test('settled as three, one is added on the emptier channel', () => {
    const { machine } = settled(
      { machine: laptop, sources: {} },
      'machine.slotCount',
      ruling(3),
      evidence,
    )
    expect(machine.slots.map(({ channel }) => channel)).toEqual(['A', 'A', 'B'])
    // of a board that was counted otherwise nobody knows which to fill first
    expect(machine.slots.every(({ order }) => order === null)).toBe(true)
  })
})

describe('sources about one module', () => {
  const listing = input(device('DIMM A', FITTED))
  const module = stick({ formFactor: 'SODIMM', capacityGiB: 16, ranks: 2 })

  test('checked contents outdo a readout, which stays to be seen', () => {
    const contents = input(writeDdr4(module, { serial: '00001A2B' }), { seats: { 0: 'A' } })
    const { slots, disputes } = weigh(caseOf([listing, contents]))
    const capacity = slots[0]?.beliefs.find(({ what }) => what === 'capacityGiB')
    expect(capacity?.value).toBe(16)
    expect(capacity?.claims.map(({ source, value }) => [source, value])).toEqual([
      ['contents', 16],
      ['readout', 8],
    ])
    expect(slots[0]?.verified).toBe(true)
    expect(disputes.map(({ key }) => key)).toContain('slot.A.capacityGiB')
    // 1A2B and 00001A2B are one serial number
    expect(disputes.map(({ key }) => key)).not.toContain('slot.A.serial')
  })

  test('contents whose checksum fails do not', () => {
    const broken = writeDdr4(module)
    broken[4] = 0x84
    const contents = input(broken, { seats: { 0: 'A' } })
    const { slots } = weigh(caseOf([listing, contents]))
    expect(slots[0]?.beliefs.find(({ what }) => what === 'capacityGiB')?.value).toBe(8)
    expect(slots[0]?.verified).toBe(false)
  })

  test('a label without a slot finds its module by part or serial number, else it is loose', () => {
    const label = '8GB 1Rx8 PC4-3200AA-SA2-11'
    const known = weigh(caseOf([listing, input(`${label} S/N: 1A2B`)]))
    expect(known.loose).toEqual([])
    // the readout gave the rate, the label its timings; bin AA of 3200 is 22
    expect(known.slots[0]?.beliefs.find(({ what }) => what === 'speeds')?.value).toMatchObject([
      { dataRate: 3200, cl: 22 },
    ])
    const unknown = weigh(caseOf([listing, input(label)]))
    expect(unknown.loose).toHaveLength(1)
    expect(unknown.unknown.map(({ code }) => code)).toContain('LOOSE_MODULE')
    const said = weigh(caseOf([listing, input(label, { seats: { 0: 'B' } })]))
    expect(said.slots.map(({ slot: id }) => id)).toEqual(['A', 'B'])
  })

  test('a module said to be none of this machine’s is left out', () => {
    const aside = weigh(caseOf([input(device('DIMM A', FITTED), { seats: { 0: null } })]))
    expect(aside.slots).toEqual([])
    expect(aside.loose).toEqual([])
  })

  test('a ruling decides, and the contradiction is gone', () => {
    const contents = input(writeDdr4(module), { seats: { 0: 'A' } })
    const rulings = { 'slot.A.capacityGiB': ruling(8) }
    const { slots, disputes } = weigh(caseOf([listing, contents], { rulings }))
    expect(slots[0]?.beliefs.find(({ what }) => what === 'capacityGiB')?.value).toBe(8)
    expect(disputes.map(({ key }) => key)).not.toContain('slot.A.capacityGiB')
  })
})

describe('what contradicts', () => {
  const codes = (inputs: Input[], changes: Partial<EvidenceCase> = {}) =>
    weigh(caseOf(inputs, changes)).disputes.map(({ code, key }) => `${code} ${key}`)
  const settledSlots: Partial<EvidenceCase> = { rulings: { 'machine.slotCount': ruling(2) } }

  test('a module that does not fit the machine it was read from', () => {
    const ddr3 = FITTED.map((line) => line.replace('DDR4', 'DDR3').replace('3200', '1600'))
    expect(codes([input(device('DIMM A', ddr3))])).toContain(
      'MODULE_NOT_OF_MACHINE machine.generation',
    )
  })

  test('the machine takes the other generation, with its voltage and a rate of it', () => {
    const { machine } = settled(
      { machine: laptop, sources: {} },
      'machine.generation',
      ruling('DDR3'),
      { slots: [], soldered: [], lettering: [] },
    )
    expect(machine).toMatchObject({ generation: 'DDR3', voltages: [1.5] })
    expect(machine.limits.dataRates[0]?.dataRate).toBe(1600)
  })

  test('a maximum of 32 where the manual says 64', () => {
    const text = PHANTOMS.replace('64 GB', '32 GB')
    const manual = {
      sources: { totalGiB: { source: 'manual', note: '', by: '', at: null } },
    } as const
    const { machine, disputes } = weigh(caseOf([input(text)], manual))
    const maximum = disputes.find(({ code }) => code === 'MAXIMUM')
    expect(maximum?.options.map(({ value }) => value)).toEqual([64, 32])
    expect(machine.find(({ what }) => what === 'maximumGiB')?.value).toBe(64)
  })

  test('a rate below the rated one, unless the machine explains it', () => {
    const reading = input(device('DIMM A', FITTED))
    expect(codes([reading], settledSlots)).toContain('RATED_AGAINST_CONFIGURED slot.A.configured')
    expect(codes([reading], { ...settledSlots, runsAt: 2666 })).not.toContain(
      'RATED_AGAINST_CONFIGURED slot.A.configured',
    )
  })

  test('a figure that is the rate or the clock', () => {
    const lines = ['Size: 8 GB', 'Type: DDR4', 'Configured Clock Speed: 1600 MHz']
    const { disputes } = weigh(caseOf([input(device('DIMM A', lines))]))
    const rate = disputes.find(({ code }) => code === 'RATE_OR_CLOCK')
    expect(rate?.options.map(({ value }) => value)).toEqual([1600, 3200])
  })

  test('a label whose density is none, by its place', () => {
    const label = input('32GB 1Rx32 PC4-2666V-SA1-11', { seats: { 0: 'A' } })
    expect(codes([label])).toContain(`LABEL_DENSITY reading.${label.id}.1`)
  })

  test('soldered memory that the record overlooks', () => {
    const soldered = device('Onboard', ['Size: 8 GB', 'Form Factor: Row Of Chips', 'Type: DDR4'])
    const reading = input(`${soldered}\n${device('DIMM B', FITTED)}`)
    const evidence = weigh(caseOf([reading]))
    const dispute = evidence.disputes.find(({ code }) => code === 'SOLDERED')
    expect(dispute?.options.map(({ value }) => value)).toEqual([8, 0])
    const { machine } = settled(
      { machine: laptop, sources: {} },
      'machine.solderedGiB',
      ruling(8),
      evidence,
    )
    expect(machine.soldered).toMatchObject([
      { channel: 'A', module: { capacityGiB: 8, formFactor: 'soldered' } },
    ])
  })
})

test('a readout of which everything is soldered claims no slot', () => {
  const bank = (at: number) =>
    device(`Onboard ${at}`, ['Size: 8 GB', 'Form Factor: Row Of Chips', 'Type: LPDDR5'])
  const text = ['Physical Memory Array', 'Number Of Devices: 2', bank(1), bank(2)].join('\n')
  const { machine, disputes } = weigh(caseOf([input(text)]))
  expect(machine.find(({ what }) => what === 'slotCount')?.claims[0]).toMatchObject({ value: 0 })
  expect(disputes.map(({ code }) => code)).toEqual(
    expect.arrayContaining(['SLOT_COUNT', 'SOLDERED']),
  )
  const none = settled({ machine: laptop, sources: {} }, 'machine.slotCount', ruling(0), {
    slots: [],
    soldered: [],
    lettering: [],
  })
  expect(none.machine.slots).toEqual([])
})

describe('what is still unknown', () => {
  const codes = (given: EvidenceCase) => weigh(given).unknown.map(({ code }) => code)

  test('on a general record nearly everything, what rules the upgrade out first', () => {
    expect(codes(caseOf([]))).toEqual([
      'GENERATION',
      'SLOT_COUNT',
      'SOLDERED',
      'CONTENT_OF_SLOTS',
      'TOTAL_LIMIT',
      'SLOT_LIMIT',
      'RATES',
      'FILLING_ORDER',
      'FIRMWARE',
      'SYSTEM_WIDTH',
    ])
  })

  test('less with each source', () => {
    const manual = { source: 'manual', note: '', by: '', at: null } as const
    const sources = {
      slots: manual,
      soldered: manual,
      totalGiB: manual,
      slotGiB: manual,
      dataRates: manual,
      order: manual,
      firmwareDataRate: manual,
    }
    // of the other slot the listing says nothing
    const listed = [input(device('DIMM A', FITTED))]
    expect(codes(caseOf(listed, { sources }))).toEqual([
      'CONTENT_OF_SLOTS',
      'MODULE_FIGURES',
      'SYSTEM_WIDTH',
    ])
    const machine = { ...laptop, systemBits: 64 as const }
    const rulings = { 'slot.B.empty': ruling(true) }
    expect(codes(caseOf(listed, { machine, sources, rulings }))).toEqual(['MODULE_FIGURES'])
  })

  test('the voltage, where its own module needs another than such machines usually give', () => {
    const low = { ...laptop, voltages: [1.05] }
    const listed = [input(device('DIMM A', FITTED))]
    expect(codes(caseOf(listed, { machine: low }))).toContain('VOLTAGE')
    expect(codes(caseOf(listed))).not.toContain('VOLTAGE')
    const voltages = { source: 'manual', note: '', by: '', at: null } as const
    expect(codes(caseOf(listed, { machine: low, sources: { voltages } }))).not.toContain('VOLTAGE')
  })

  test('the width of the system and why it uses less, until a report or the record says', () => {
    const asked = (text: string, changes: Partial<Machine> = {}) =>
      codes(caseOf([input(text)], { machine: { ...laptop, ...changes } })).slice(-2)
    const less = 'Installed RAM\t8.00 GB (3.46 GB usable)'
    expect(asked(less)).toEqual(['SYSTEM_WIDTH', 'SYSTEM_USES_LESS'])
    expect(asked(less, { systemBits: 32 })).not.toContain('SYSTEM_USES_LESS')
    expect(asked('OSArchitecture : 64-bit')).not.toContain('SYSTEM_WIDTH')
    expect(asked('Installed RAM\t8.00 GB (7.8 GB usable)')).not.toContain('SYSTEM_USES_LESS')
  })

  test('where all is soldered, the slots’ contents and limits do not matter', () => {
    const machine = STARTING_MACHINES.find(({ id }) => id === 'laptop-soldered')?.machine as Machine
    expect(codes(caseOf([], { machine }))).toEqual(['GENERATION', 'SLOT_COUNT', 'SOLDERED'])
  })
})

describe('which slot a readout’s name is', () => {
  const seats = (locators: string[], machine: Machine) =>
    weigh(
      caseOf(
        [
          input(
            locators
              .map((one) => device(one, FITTED))
              .join('\n')
              .replaceAll('1A2B', ''),
          ),
        ],
        { machine },
      ),
    ).slots.map(({ slot: id, beliefs }) => [
      id,
      beliefs.find(({ what }) => what === 'capacityGiB')?.claims.length,
    ])
  const four = {
    ...laptop,
    slots: [
      slot('J1', 'A', { position: 1 }),
      slot('J2', 'A', { position: 2 }),
      slot('J3', 'B', { position: 1 }),
      slot('J4', 'B', { position: 2 }),
    ],
  }

  test('the printed lettering itself', () => {
    expect(seats(['J2', 'J3'], four)).toEqual([
      ['J2', 1],
      ['J3', 1],
    ])
  })
  test('channel and number, from 0 or from 1', () => {
    const all = ['J1', 'J2', 'J3', 'J4'].map((id) => [id, 1])
    for (const from of [0, 1]) {
      const names = ['A', 'B'].flatMap((letter) =>
        [from, from + 1].map((at) => `Channel${letter}-DIMM${at}`),
      )
      expect(seats(names, four)).toEqual(all)
    }
  })
  test('other letters stand for the channels in their order', () => {
    expect(seats(['DIMM C', 'DIMM D'], laptop)).toEqual([
      ['A', 1],
      ['B', 1],
    ])
  })
  test('in the order listed where no name tells a channel', () => {
    expect(seats(['DIMM 1', 'DIMM 2'], laptop)).toEqual([
      ['A', 1],
      ['B', 1],
    ])
  })
})
