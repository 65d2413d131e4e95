import { describe, expect, test } from 'vitest'
import { stick } from '../../../test/builders'
import { DUMPS, PRINTERS, type ReportedStick, RIGS } from '../../../test/consoles'
import printouts from '../../../test/printouts.json'
import { table } from '../../../test/tables'
import { writeDdr3, writeDdr4, writeDdr5 } from '../contents'
import { answerTo } from '../inputs'

/** What every print form must say of a stick; what runs now is apart from what it is. */
function factsOf({
  locator,
  gib,
  generation,
  form,
  speed,
  configured,
  part,
  serial,
}: ReportedStick) {
  return {
    slot: { locator },
    module: {
      capacityGiB: gib,
      generation,
      formFactor: form,
      speeds: [{ kind: 'standard', dataRate: speed }],
      partNumber: part,
      serial,
    },
    runsAt: configured === 2667 ? 2666 : configured,
  }
}

describe.each(Object.entries(PRINTERS))('printed as %s', (name, print) => {
  test.each(Object.entries(RIGS))('%s', (_, rig) => {
    const { modules, problems } = answerTo(print(rig))
    expect(problems).toEqual([])
    expect(modules).toHaveLength(rig.length)
    modules.forEach(({ slot, module, observed, observedVolts }, at) => {
      const one = rig[at] as ReportedStick
      const { runsAt, ...expected } = factsOf(one)
      expect({ slot, module }).toMatchObject(expected)
      // a running system says nothing of what a module is made for
      expect(module.voltages).toBeUndefined()
      // a tree tells the clock only where it is another than the speed
      const told = name !== 'tree' || one.configured < one.speed
      if (told) expect(observed?.configuredDataRate).toBe(runsAt)
      if (name !== 'tree') expect(observedVolts).toBe(one.millivolts / 1000)
    })
  })
})

describe('the printouts that came with the contract', () => {
  const printout = (name: keyof typeof printouts) => answerTo(printouts[name])

  test.each([
    'cim-json-in-session.txt',
    'cim-list.txt',
    'cim-pairs.txt',
    'cim-plain-table.txt',
    'cim-ruled-table.txt',
    'cim-narrow-table.txt',
  ] as const)('%s: two of 16 GB, of part PLV5-16-5600', (name) => {
    const { modules } = printout(name)
    expect(modules.map(({ module }) => [module.capacityGiB, module.partNumber])).toEqual([
      [16, 'PLV5-16-5600'],
      [16, 'PLV5-16-5600'],
    ])
    for (const { observed } of modules) {
      if (observed) expect(observed.configuredDataRate).toBe(4800)
    }
  })

  test('a value that the console cut off is missing and said, not guessed', () => {
    const { modules, problems } = printout('cim-narrow-table.txt')
    expect(modules.map(({ slot }) => slot?.locator)).toEqual(['', ''])
    expect(problems.filter(({ code }) => code === 'CUT_SHORT')).toEqual([
      { code: 'CUT_SHORT', where: { line: 4 } },
      { code: 'CUT_SHORT', where: { line: 5 } },
    ])
  })

  test('the tree: 4 and 8 GB of DDR4, a third slot empty', () => {
    const { modules, machine } = printout('hardware-tree.txt')
    expect(
      modules.map(({ module }) => [module.capacityGiB, module.generation, module.formFactor]),
    ).toEqual([
      [4, 'DDR4', 'SODIMM'],
      [8, 'DDR4', 'SODIMM'],
    ])
    expect(machine?.slots.filter(({ populated }) => !populated)).toHaveLength(1)
  })

  test.each(['bytes-column-heading.txt', 'bytes-with-text.txt'] as const)('%s', (name) => {
    const { format, modules, problems } = printout(name)
    expect({ format, problems }).toEqual({ format: 'spd-ddr3', problems: [] })
    expect(modules[0]).toMatchObject({
      verified: true,
      module: {
        generation: 'DDR3',
        formFactor: 'SODIMM',
        capacityGiB: 4,
        ranks: 1,
        deviceWidth: 8,
        voltages: [1.35, 1.5],
        speeds: [{ dataRate: 1600, cl: 11 }],
      },
    })
  })
})

describe('bytes', () => {
  const ddr5 = stick({
    generation: 'DDR5',
    capacityGiB: 16,
    voltages: [1.1],
    speeds: [{ kind: 'standard', dataRate: 5600, cl: 46, trcd: 45, trp: 45, tras: 90 }],
  })
  const ddr3 = stick({
    generation: 'DDR3',
    capacityGiB: 4,
    voltages: [1.35, 1.5],
    speeds: [{ kind: 'standard', dataRate: 1600, cl: 11, trcd: 11, trp: 11, tras: 28 }],
  })
  const samples: [string, Uint8Array][] = [
    ['DDR3', writeDdr3(ddr3, { serial: 'AB12CD34', partNumber: 'abcdef 12 34' })],
    ['DDR4', writeDdr4(stick(), { serial: 'DEADBEEF', partNumber: 'LRK4-8-3200' })],
    ['DDR4 without a name', writeDdr4(stick({ ranks: 2, capacityGiB: 16 }))],
    ['DDR5', writeDdr5(ddr5, { serial: '00000001' })],
  ]
  describe.each(Object.entries(DUMPS))('listed with %s', (_, dump) => {
    test.each(samples)('%s', (_name, data) => {
      const listed = answerTo(dump(data))
      expect(listed.modules[0]?.verified).toBe(true)
      expect(listed.modules.map(({ module }) => module)).toEqual(
        answerTo(data).modules.map(({ module }) => module),
      )
    })
  })

  test('a missing row is said, not closed up, and nothing is verified', () => {
    const rows = (DUMPS['column numbers above']?.(samples[1]?.[1] as Uint8Array) ?? '').split(
      '\r\n',
    )
    const lacking = answerTo(rows.filter((_, at) => at !== 4).join('\n'))
    expect(lacking.problems).toContainEqual({ code: 'ROWS_MISSING', where: { line: 5 } })
    expect(lacking.modules[0]?.verified).toBe(false)
    // what stands before the gap is where it was
    expect(lacking.modules[0]?.module.generation).toBe('DDR4')
  })

  test('sparse contents are no table, and a table is none, by everything in them', () => {
    expect(answerTo(samples[0]?.[1] as Uint8Array).format).toBe('spd-ddr3')
    const smbios = table({ devices: 1 }, [{ size: 8192, locator: 'A1' }])
    expect(answerTo(smbios).format).toBe('smbios')
  })
})

describe('what surrounds them, and what is left out', () => {
  const two = RIGS['two alike'] as ReportedStick[]

  test('a session with two reports of one machine has its modules once', () => {
    const session = `${PRINTERS.list?.(two)}\r\n${PRINTERS.plainTable?.(two)}\n${PRINTERS.pairs?.(two)}`
    const { modules, format, parts } = answerTo(session)
    expect(modules.map(({ module }) => module.serial)).toEqual(['3A7100C2', '3A7100C9'])
    expect(format).toBe('mixed')
    expect(parts.map((part) => part.format)).toEqual([
      'unknown',
      'cim-list',
      'unknown',
      'cim-table',
      'unknown',
      'cim-list',
    ])
  })

  test('figures that only the second report has are added', () => {
    const narrow =
      'DeviceLocator   Capacity\nChannelA-DIMM0  8589934592\nChannelB-DIMM0  8589934592\n\n'
    const { modules } = answerTo(narrow + PRINTERS.csv?.(two))
    expect(modules.map(({ module }) => [module.capacityGiB, module.generation])).toEqual([
      [8, 'DDR4'],
      [8, 'DDR4'],
    ])
  })

  test('headings broken over lines, values going on in the next', () => {
    const text = [
      'DeviceLocat Capacity   PartNumber',
      'or',
      '----------- --------   ----------',
      'ChannelA-DI 8589934592 LRK4-8-320',
      'MM0                    0',
      'ChannelB-DI 8589934592 LRK4-8-320',
      'MM0                    0',
    ].join('\n')
    expect(
      answerTo(text).modules.map(({ slot, module }) => [slot?.locator, module.partNumber]),
    ).toEqual([
      ['ChannelA-DIMM0', 'LRK4-8-3200'],
      ['ChannelB-DIMM0', 'LRK4-8-3200'],
    ])
  })

  test('a value that goes on in the next line of a list', () => {
    const text =
      'DeviceLocator : ChannelA\n                -DIMM0\nCapacity      : 8589934592\nSpeed         : 3200'
    expect(answerTo(text).modules[0]?.slot?.locator).toBe('ChannelA-DIMM0')
  })

  test('arrays: only system memory counts, MaxCapacityEx stands before MaxCapacity', () => {
    const text = [
      'Use : 3\nMemoryDevices : 4\nMaxCapacity : 33554432\nMaxCapacityEx : 134217728',
      'Use : 6\nMemoryDevices : 2\nMaxCapacity : 16384',
    ].join('\n\n')
    expect(answerTo(text).machine).toMatchObject({ slotCount: 4, maximumGiB: 128 })
    const listed = `Handle 0x01, DMI type 16, 23 bytes
Physical Memory Array
Use: Flash Memory
Number Of Devices: 1

Handle 0x02, DMI type 17, 40 bytes
Memory Device
Array Handle: 0x01
Size: 16 MB
Locator: flash

${PRINTERS.listing?.(two)}`
    expect(answerTo(listed)).toMatchObject({ machine: { slotCount: 2 }, modules: [{}, {}] })
  })

  test('form factor 0 says nothing; system board memory is soldered', () => {
    const [first] = two
    const csv = PRINTERS.csv?.([first as ReportedStick]) ?? ''
    const blank = answerTo(csv.replace('"12"', '"0"')).modules[0]
    expect(blank?.module.formFactor).toBeUndefined()
    const board = csv.replace('"12"', '"0"').replace('ChannelA-DIMM0', 'System Board Memory')
    expect(answerTo(board).modules[0]?.module.formFactor).toBe('soldered')
  })

  test('a compression-attached low-power module is no soldered memory', () => {
    const camm = table({ devices: 1 }, [
      { size: 0x7fff, extended: 32_768, locator: 'CAMM', form: 0x11, type: 0x23 },
    ])
    expect(answerTo(camm).modules[0]?.module.formFactor).toBe('CAMM2')
  })

  test('a localised report: which lines were not understood is said', () => {
    const text = 'Speichergerät\n  Größe: 8 GB\n  Formfaktor: SODIMM\n  Geschwindigkeit: 3200 MT/s'
    expect(answerTo(text).problems).toEqual([
      { code: 'NOTHING_READ', where: null },
      ...[2, 3, 4].map((line) => ({ code: 'LINE_NOT_UNDERSTOOD', where: { line } })),
    ])
  })

  test('JSON that breaks off gives its whole objects', () => {
    const cut = (PRINTERS.json?.(RIGS.four as ReportedStick[]) ?? '').slice(0, -300)
    const { modules, problems } = answerTo(cut)
    expect(modules.length).toBe(3)
    expect(problems.map(({ code }) => code)).toEqual(['MALFORMED_JSON'])
  })

  test('memory in use beside it', () => {
    const text = `${PRINTERS.listing?.(two)}\nMemTotal:       16318412 kB\nMemFree:         401216 kB\nMemAvailable:    8000000 kB\nSwapTotal:       2097148 kB\nSwapFree:        1048572 kB\n`
    const { system, modules } = answerTo(text)
    expect(modules).toHaveLength(2)
    // 16318412 ÷ 1024² = 15.56; (2097148 − 1048572) ÷ 1024² = 1.00
    expect(system?.totalGiB).toBeCloseTo(15.56, 2)
    expect(system?.pageFileUsedGiB).toBeCloseTo(1, 2)
    const free =
      '               total        used        free      shared  buff/cache   available\nMem:            15Gi       6.1Gi       400Mi       1.0Gi       9.0Gi       8.2Gi\nSwap:          2.0Gi          0B       2.0Gi'
    expect(answerTo(free).system).toMatchObject({ totalGiB: 15, availableGiB: 8.2, pageFileGiB: 2 })
  })
})
