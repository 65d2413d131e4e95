import { describe, expect, test } from 'vitest'
import { stick } from '../../../test/builders'
import { hex, table } from '../../../test/tables'
import { runningRate, slotName } from '../facts'
import { answerTo, read } from '../inputs'
import { writeCimCsv } from './writeCim'

describe('an SMBIOS table', () => {
  const bytes = table({ ecc: 3, maximumKB: 64 * 1024 * 1024, devices: 2 }, [
    {
      size: 8192,
      locator: 'ChannelA-DIMM0',
      bank: 'BANK 0',
      speed: 3200,
      configured: 2667,
      maker: '0198',
      serial: '1A2B3C4D',
      part: 'M4S-8-3200          ',
      ranks: 1,
      millivolts: 1200,
    },
    { size: 0, locator: 'ChannelB-DIMM0', bank: 'BANK 2' },
  ])

  test('made by hand', () => {
    const { format, modules, machine, problems } = answerTo(bytes)
    expect({ format, problems }).toEqual({ format: 'smbios', problems: [] })
    // 64 × 1024² KB are 64 GiB
    expect(machine).toMatchObject({ slotCount: 2, maximumGiB: 64, errorCorrection: 'none' })
    expect(machine?.slots).toEqual([
      { locator: 'ChannelA-DIMM0', bank: 'BANK 0', channel: 'A', number: 0, populated: true },
      { locator: 'ChannelB-DIMM0', bank: 'BANK 2', channel: 'B', number: 0, populated: false },
    ])
    expect(modules).toHaveLength(1)
    expect(modules[0]?.module).toEqual({
      generation: 'DDR4',
      capacityGiB: 8,
      formFactor: 'SODIMM',
      buffering: 'unbuffered',
      ecc: false,
      ranks: 1,
      speeds: [{ kind: 'standard', dataRate: 3200 }],
      makerCode: '0198',
      serial: '1A2B3C4D',
      partNumber: 'M4S-8-3200',
    })
    expect(modules[0]?.observed).toEqual({
      configuredDataRate: 2666,
      clockOrRate: 'rate',
      printed: 2667,
      readings: [2666],
    })
    // 1200 mV are what it runs on, which says nothing of what the module is made for
    expect(modules[0]?.observedVolts).toBe(1.2)
    expect(modules[0]?.verified).toBe(false)
  })

  test('the place of a fact: the first device begins behind the array (23 bytes and two zeros)', () => {
    const ranks = read(bytes).observations.find(({ what }) => what === 'ranks')
    expect(ranks).toMatchObject({ source: 'readout', where: { byte: 25 + 0x1b } })
  })

  test('sizes: 0x7FFF means the double word in MB, bit 15 means KB', () => {
    const sizes = table({ devices: 2 }, [
      { size: 0x7fff, extended: 65536, locator: 'A' },
      { size: 0x8000 | 512, locator: 'B' },
    ])
    // 65536 MB are 64 GiB; 512 KB are no module's capacity
    expect(answerTo(sizes).modules.map(({ module }) => module.capacityGiB)).toEqual([64, undefined])
    expect(answerTo(sizes).problems.map(({ code }) => code)).toEqual(['CAPACITY_NOT_MADE'])
  })

  test('a maximum of 0x80000000 KB means the quad-word in bytes: 4 TiB', () => {
    const large = table({ maximumBytes: 4n * 2n ** 40n, devices: 32, ecc: 6 }, [])
    expect(answerTo(large).machine).toMatchObject({
      maximumGiB: 4096,
      slotCount: 32,
      errorCorrection: 'multi-bit',
    })
  })

  test('soldered memory is no slot: form row of chips, or a low-power type', () => {
    const soldered = table({ devices: 2 }, [
      { size: 8192, locator: 'Onboard', form: 0x0b },
      { size: 8192, locator: 'Onboard', form: 0x09, type: 0x23 },
    ])
    const { machine, modules } = answerTo(soldered)
    expect(machine?.slots).toEqual([])
    expect(modules.map(({ module }) => module.formFactor)).toEqual(['soldered', 'soldered'])
  })

  test('72 bits over 64 are ECC', () => {
    const ecc = table({ devices: 1 }, [{ size: 8192, locator: 'A1', totalWidth: 72, form: 9 }])
    expect(answerTo(ecc).modules[0]?.module.ecc).toBe(true)
  })

  test('behind an entry point, behind a length, and as hexadecimal text', () => {
    const plain = answerTo(bytes)
    const anchored = new Uint8Array(0x20 + bytes.length)
    anchored.set(Array.from('_SM3_', (letter) => letter.charCodeAt(0)))
    anchored[0x10] = 0x20
    anchored.set(bytes, 0x20)
    const measured = new Uint8Array(8 + bytes.length)
    measured.set([bytes.length & 0xff, bytes.length >> 8], 4)
    measured.set(bytes, 8)
    const figures = (input: Uint8Array | string) =>
      answerTo(input).modules.map(({ module, slot }) => ({ module, slot }))
    for (const input of [anchored, measured, hex(bytes)]) {
      expect(figures(input)).toEqual(plain.modules.map(({ module, slot }) => ({ module, slot })))
    }
  })

  test('a table cut off says so and gives what came before', () => {
    const cut = answerTo(bytes.subarray(0, 80))
    expect(cut.problems[0]?.code).toBe('TABLE_BROKEN')
    expect(cut.machine?.slotCount).toBe(2)
  })

  test('two sub-channels of one DDR5 module are one module', () => {
    const listing = ['A', 'B'].map(
      (channel) => `Memory Device
\tData Width: 32 bits
\tSize: 8 GB
\tLocator: Controller0-Channel${channel}-DIMM0
\tType: DDR5
\tSerial Number: 77AA
\tPart Number: K5-16`,
    )
    const { modules, problems } = answerTo(listing.join('\n\n'))
    expect(modules.map(({ module }) => module.capacityGiB)).toEqual([16])
    expect(problems.map(({ code }) => code)).toEqual(['SUBCHANNELS_SEPARATE'])
  })
})

const LISTING = `# readout 3.4
Handle 0x0024, DMI type 16, 23 bytes
Physical Memory Array
\tLocation: System Board Or Motherboard
\tUse: System Memory
\tError Correction Type: None
\tMaximum Capacity: 64 GB
\tNumber Of Devices: 2

Handle 0x0025, DMI type 17, 84 bytes
Memory Device
\tTotal Width: 64 bits
\tData Width: 64 bits
\tSize: 8192 MB
\tForm Factor: SODIMM
\tLocator: ChannelA-DIMM0
\tBank Locator: BANK 0
\tType: DDR4
\tType Detail: Synchronous Unbuffered (Unregistered)
\tSpeed: 3200 MT/s
\tManufacturer: Not Specified
\tSerial Number: 00000000
\tPart Number: M4S-8-3200          
\tRank: 1
\tConfigured Memory Speed: 1600 MT/s
\tConfigured Voltage: 1.2 V

Handle 0x0026, DMI type 17, 84 bytes
Memory Device
\tSize: No Module Installed
\tLocator: ChannelB-DIMM0
\tBank Locator: BANK 2

Memory Device Mapped Address
\tStarting Address: 0x00000000000
`

describe('a text listing', () => {
  test('is read block by block', () => {
    const { format, modules, machine, problems } = answerTo(LISTING)
    expect({ format, problems }).toEqual({ format: 'smbios-text', problems: [] })
    expect(machine).toMatchObject({ slotCount: 2, maximumGiB: 64, errorCorrection: 'none' })
    expect(machine?.slots.map(({ populated }) => populated)).toEqual([true, false])
    expect(modules).toHaveLength(1)
    expect(modules[0]?.module).toEqual({
      generation: 'DDR4',
      capacityGiB: 8,
      formFactor: 'SODIMM',
      buffering: 'unbuffered',
      ecc: false,
      ranks: 1,
      speeds: [{ kind: 'standard', dataRate: 3200 }],
      partNumber: 'M4S-8-3200',
    })
    // half of the module's own 3200: the clock
    expect(modules[0]?.observed).toMatchObject({ clockOrRate: 'clock', configuredDataRate: 3200 })
    const size = read(LISTING).observations.find(({ what }) => what === 'capacityGiB')
    expect(size?.where).toEqual({ line: 14 })
  })

  test('indentation, case, line ends and lost headers do not matter', () => {
    const wanted = answerTo(LISTING).modules.map(({ module }) => module)
    const messy = [
      LISTING.replaceAll('\t', ''),
      LISTING.replaceAll('\n', '\r\n'),
      LISTING.replaceAll(': ', ' :   '),
      LISTING.toUpperCase(),
      LISTING.replaceAll(/^Handle.*\n/gm, ''),
    ]
    for (const text of messy) {
      const { modules, machine } = answerTo(text)
      expect(modules.map(({ module }) => module)).toEqual(wanted)
      expect(machine?.slots).toHaveLength(2)
    }
  })

  test('a key that comes again begins the next device', () => {
    const { modules } = answerTo(
      'Memory Device\nSize: 8 GB\nLocator: DIMM A\nType: DDR4\nForm Factor: SODIMM\nSize: 4 GB\nLocator: DIMM B\nType: DDR4',
    )
    expect(modules.map(({ module, slot }) => [module.capacityGiB, slot?.channel])).toEqual([
      [8, 'A'],
      [4, 'B'],
    ])
  })

  test('a size that is none is named by its line', () => {
    const { problems } = answerTo(LISTING.replace('8192 MB', 'eight or so'))
    expect(problems).toEqual([{ code: 'FIELD_NOT_UNDERSTOOD', where: { line: 14 } }])
  })
})

describe('CIM PhysicalMemory', () => {
  const instance = {
    DeviceLocator: 'DIMM_B2',
    BankLabel: 'P0 CHANNEL B',
    Capacity: 17179869184,
    Speed: 3200,
    ConfiguredClockSpeed: 1600,
    FormFactor: 8,
    SMBIOSMemoryType: 26,
    PartNumber: 'T4-16-3200  ',
    SerialNumber: 'AB12CD34',
    Manufacturer: 'Unknown',
  }
  const figures = {
    generation: 'DDR4',
    capacityGiB: 16, // 17179869184 ÷ 1024³
    formFactor: 'DIMM',
    serial: 'AB12CD34',
    partNumber: 'T4-16-3200',
    // a speed without a unit: 3200 can only be the rate
    speeds: [{ kind: 'standard', dataRate: 3200 }],
  }

  test('as JSON: one alone, or a list', () => {
    const alone = answerTo(JSON.stringify(instance))
    expect(alone).toMatchObject({ format: 'cim-json', machine: null, problems: [] })
    expect(alone.modules[0]?.module).toEqual(figures)
    expect(alone.modules[0]?.slot).toMatchObject({ locator: 'DIMM_B2', channel: 'B', number: 2 })
    expect(alone.modules[0]?.observed).toMatchObject({ clockOrRate: 'clock' })
    const other = { ...instance, DeviceLocator: 'DIMM_A2' }
    expect(answerTo(JSON.stringify([instance, other])).modules).toHaveLength(2)
  })

  test.each([',', ';', '\t'])('as CSV with %j between, quoted or not', (separator) => {
    const names = Object.keys(instance)
    const row = Object.values(instance).map((value) => `"${value}"`)
    const text = `#TYPE instance\r\n${names.join(separator)}\r\n${row.join(separator)}\r\n`
    const { format, modules } = answerTo(text)
    expect(format).toBe('cim-csv')
    expect(modules[0]?.module).toEqual(figures)
    expect(read(text).observations.find(({ what }) => what === 'present')?.where).toEqual({
      line: 3,
    })
  })

  test('a file in UTF-16 is read as well', () => {
    const text = JSON.stringify(instance)
    const bytes = new Uint8Array(2 + text.length * 2)
    bytes.set([0xff, 0xfe])
    for (let at = 0; at < text.length; at += 1) bytes[2 + at * 2] = text.charCodeAt(at)
    expect(answerTo(bytes)).toEqual(answerTo(text))
  })

  test('is read back as written', () => {
    const module = stick({ formFactor: 'SODIMM', capacityGiB: 16, voltages: [1.2] })
    const identity = { serial: '0000BEEF', partNumber: 'Q4, "odd"', makerCode: '7F98' }
    const text = writeCimCsv([
      { locator: 'ChannelA-DIMM0', bank: 'BANK 0', module, identity, configuredDataRate: 2666 },
    ])
    const { format, modules, problems } = answerTo(text)
    expect({ format, problems }).toEqual({ format: 'cim-csv', problems: [] })
    expect(modules[0]).toMatchObject({
      slot: { locator: 'ChannelA-DIMM0', channel: 'A' },
      module: {
        generation: 'DDR4',
        capacityGiB: 16,
        formFactor: 'SODIMM',
        ecc: false,
        speeds: [{ dataRate: 3200 }],
        ...identity,
      },
      observed: { configuredDataRate: 2666, clockOrRate: 'rate' },
    })
  })
})

describe('a slot’s name', () => {
  test.each([
    ['ChannelA-DIMM1', null, 'A', 1],
    ['DIMM_B2', null, 'B', 2],
    ['DIMM 0', 'P0 CHANNEL B', 'B', 0],
    ['Controller1-ChannelA-DIMM0', null, 'B', 0],
    ['A2', null, 'A', 2],
    ['DIMMC1', null, 'C', 1],
    ['CPU1_DIMM_D2', null, 'D', 2],
    ['DIMM 3', 'BANK 2', null, 3],
    ['Node0_Channel1_Dimm0', null, 'B', 0],
    ['System Board', 'Not Specified', null, null],
  ])('%s / %s: channel %s, number %s', (locator, bank, channel, number) => {
    expect(slotName(locator, bank)).toMatchObject({ channel, number })
  })
})

describe('rate or clock', () => {
  const say = (figure: number, own: number[], unit: 'MT/s' | 'MHz' | null = null) => {
    const seen = runningRate({ figure, unit }, own, 'DDR4')
    return seen && [seen.clockOrRate, ...seen.readings]
  }
  test('by the module’s own rates first', () => {
    expect(say(3200, [3200])).toEqual(['rate', 3200])
    expect(say(1600, [3200])).toEqual(['clock', 3200])
    // printed as half of 2666.67, and of 2933.33
    expect(say(1333, [2666])).toEqual(['clock', 2666])
    expect(say(1467, [2933])).toEqual(['clock', 2933])
  })
  test('then by what the generation runs at below the module’s top', () => {
    expect(say(2667, [3200])).toEqual(['rate', 2666])
    // 1200 is no rate of DDR4, twice it is
    expect(say(1200, [3200])).toEqual(['clock', 2400])
    // twice 1600 is above the module's 2666
    expect(say(1600, [2666])).toEqual(['rate', 1600])
  })
  test('both stay where it cannot be decided', () => {
    expect(say(1600, [])).toEqual(['ambiguous', 1600, 3200])
    expect(say(1600, [], 'MT/s')).toEqual(['rate', 1600])
    expect(say(0, [])).toBeNull()
  })
})
