import { expect, test } from 'vitest'
import { read } from '../inputs'
import { answersIn } from './answersIn'

test('a report answers what it knows, soldered memory not counted as a slot', () => {
  const report = [
    'Handle 0x0010, DMI type 16, 23 bytes',
    'Physical Memory Array',
    '\tUse: System Memory',
    '\tNumber Of Devices: 2',
    '',
    'Handle 0x0011, DMI type 17, 84 bytes',
    'Memory Device',
    '\tSize: 8 GB',
    '\tForm Factor: Row Of Chips',
    '\tType: DDR4',
    '',
    'Handle 0x0012, DMI type 17, 84 bytes',
    'Memory Device',
    '\tSize: 8 GB',
    '\tForm Factor: SODIMM',
    '\tType: DDR4',
  ].join('\n')
  expect(answersIn(read(report))).toEqual({ generation: 'DDR4', slots: 1, soldered: true })
  expect(answersIn(read('nothing of the kind'))).toEqual({})
})

test('a bank that may be soldered is not said to be in a slot', () => {
  const bank = [
    'DeviceLocator : Controller0-ChannelA',
    'BankLabel     : BANK 0',
    'Capacity      : 8589934592',
    'FormFactor    : 12',
    'SMBIOSMemoryType : 26',
    'SerialNumber  : 00000000',
  ].join('\n')
  expect(answersIn(read(bank))).toEqual({ generation: 'DDR4' })
  const stick = bank.replace('Controller0-ChannelA', 'ChannelA-DIMM0')
  expect(answersIn(read(stick))).toEqual({ generation: 'DDR4', soldered: false })
  const numbered = bank.replace('00000000', '0A1B2C3D')
  expect(answersIn(read(numbered))).toMatchObject({ soldered: false })
})
