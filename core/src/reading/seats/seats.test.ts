import { describe, expect, test } from 'vitest'
import { PRINTERS, type ReportedStick, RIGS } from '../../../test/consoles'
import { STARTING_MACHINES } from '../../things/machines'
import type { Machine } from '../../things/model'
import { read } from '../inputs'
import { seatingOf } from './seats'

const machine = (id: string) => STARTING_MACHINES.find((one) => one.id === id)?.machine as Machine
const four = machine('desktop-4')
const laptop = machine('laptop-2')
const [stick] = RIGS.one as [ReportedStick]

/** Filled slots only, as CIM lists them. */
const filled = (...sticks: Partial<ReportedStick>[]) =>
  read(
    PRINTERS.list?.(sticks.map((one, at) => ({ ...stick, serial: `0000000${at}`, ...one }))) ?? '',
  ).observations

/** Every slot, empty ones too: a locator with a size in GB, 0 for an empty one. */
const listed = (...slots: [string, number][]) =>
  read(
    slots
      .map(
        ([locator, gib]) =>
          `Memory Device\nSize: ${gib === 0 ? 'No Module Installed' : `${gib} GB`}\nForm Factor: DIMM\nLocator: ${locator}\nType: DDR5`,
      )
      .join('\n\n'),
  ).observations

describe('a report of filled slots only', () => {
  test.each<[string, Machine, Partial<ReportedStick>[], (string | null)[]]>([
    [
      'letter and number as printed',
      four,
      [{ locator: 'DIMM_A2' }, { locator: 'DIMM_B2' }],
      ['A2', 'B2'],
    ],
    ['the same run together', four, [{ locator: 'DIMMB1' }], ['B1']],
    ['one slot to a channel', laptop, [{ locator: 'ChannelB-DIMM0' }], ['B']],
    [
      'two controllers are two channels',
      laptop,
      [{ locator: 'Controller0-ChannelA-DIMM0' }, { locator: 'Controller1-ChannelA-DIMM0' }],
      ['A', 'B'],
    ],
    [
      'a number 0 tells that they count from 0',
      four,
      [{ locator: 'ChannelA-DIMM0' }, { locator: 'ChannelB-DIMM1' }],
      ['A1', 'B2'],
    ],
    [
      'as many numbers as the channel has slots',
      four,
      [{ locator: 'ChannelA-DIMM1' }, { locator: 'ChannelA-DIMM2' }],
      ['A1', 'A2'],
    ],
    [
      'from 0 or from 1 cannot be told',
      four,
      [{ locator: 'ChannelA-DIMM1' }, { locator: 'ChannelB-DIMM1' }],
      [null, null],
    ],
    [
      'plain numbers tell nothing',
      four,
      [{ locator: 'DIMM 1' }, { locator: 'DIMM 3' }],
      [null, null],
    ],
    ['nor does the order of a list', laptop, [{ locator: 'DIMM 0', bank: '' }], [null]],
    [
      'all slots filled with the like',
      laptop,
      [
        { locator: 'DIMM 0', bank: '' },
        { locator: 'DIMM 1', bank: '' },
      ],
      ['A', 'B'],
    ],
    [
      'all filled, unlike, without a hint',
      laptop,
      [
        { locator: 'Slot 1', bank: '' },
        { locator: 'Slot 2', bank: '', gib: 8 },
      ],
      [null, null],
    ],
    [
      'a bank for each channel',
      laptop,
      [
        { locator: 'DIMM 1', bank: 'BANK 2', gib: 8 },
        { locator: 'DIMM 0', bank: 'BANK 0' },
      ],
      ['B', 'A'],
    ],
    ['a single slot', machine('laptop-soldered-1'), [{ locator: 'DIMM 3' }], ['SLOT']],
    [
      'two said to be in one slot are in neither',
      four,
      [{ locator: 'DIMM_A1' }, { locator: 'DIMM_A1', bank: 'x' }],
      [null, null],
    ],
  ])('%s', (_, board, sticks, seats) => {
    expect(seatingOf(filled(...sticks), board).seats).toEqual(seats)
  })

  test('of a machine that must have its first slot filled, one module is in it', () => {
    const slots = laptop.slots.map((slot) => ({ ...slot, mustFill: slot.id === 'A' }))
    const one = filled({ locator: 'DIMM 7', bank: '' })
    expect(seatingOf(one, { ...laptop, slots }).seats).toEqual(['A'])
  })

  test('a channel narrows the question', () => {
    const { candidates } = seatingOf(filled({ locator: 'ChannelB-DIMM1' }), four)
    expect(candidates).toEqual([['B1', 'B2']])
  })

  test('says of no other slot that it is empty', () => {
    expect(seatingOf(filled({ locator: 'DIMM_A2' }), four).empty).toEqual([])
  })
})

describe('a report of every slot', () => {
  test('says which are empty', () => {
    const reading = listed(['DIMM_A1', 0], ['DIMM_A2', 16], ['DIMM_B1', 0], ['DIMM_B2', 16])
    const { seats, empty } = seatingOf(reading, four)
    expect(seats).toEqual(['A2', 'B2'])
    expect(empty).toEqual(['A1', 'B1'])
  })
  test('with slots that are not there: the channel’s one module is in its one slot', () => {
    const reading = listed(
      ['ChannelA-DIMM0', 0],
      ['ChannelA-DIMM1', 8],
      ['ChannelB-DIMM0', 0],
      ['ChannelB-DIMM1', 0],
    )
    expect(seatingOf(reading, laptop)).toMatchObject({ seats: ['A'], empty: ['B'] })
  })
})
