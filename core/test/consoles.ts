/** A stick as a running system reports it, for the ways in which consoles print that. */
export interface ReportedStick {
  locator: string
  bank: string
  gib: number
  /** SMBIOS type code, and the generation it stands for. */
  type: number
  generation: string
  form: 'DIMM' | 'SODIMM'
  speed: number
  configured: number
  millivolts: number
  part: string
  serial: string
}

const stick = (
  changes: Partial<ReportedStick> & Pick<ReportedStick, 'locator'>,
): ReportedStick => ({
  bank: 'BANK 0',
  gib: 8,
  type: 26,
  generation: 'DDR4',
  form: 'SODIMM',
  speed: 3200,
  configured: 2667,
  millivolts: 1200,
  part: 'LRK4-8-3200',
  serial: '3A7100C2',
  ...changes,
})

/** Four made-up machines: alike and unlike pairs, one stick, four. */
export const RIGS: Record<string, ReportedStick[]> = {
  'two alike': [
    stick({ locator: 'ChannelA-DIMM0' }),
    stick({ locator: 'ChannelB-DIMM0', bank: 'BANK 2', serial: '3A7100C9' }),
  ],
  'two that differ': [
    stick({
      locator: 'DIMM_A2',
      form: 'DIMM',
      gib: 16,
      part: 'PLV4-16-2666',
      speed: 2666,
      configured: 2666,
    }),
    stick({
      locator: 'DIMM_B2',
      form: 'DIMM',
      bank: 'BANK 3',
      part: 'LRK4-8-3200',
      serial: '00B2F1A7',
    }),
  ],
  one: [
    stick({
      locator: 'DIMM 0',
      type: 24,
      generation: 'DDR3',
      gib: 4,
      speed: 1600,
      configured: 1600,
      millivolts: 1350,
      part: 'LRK3-4-1600L',
      serial: '7D60A011',
    }),
  ],
  four: ['A1', 'A2', 'B1', 'B2'].map((name, at) =>
    stick({
      locator: `DIMM ${name}`,
      bank: `P0 CHANNEL ${name[0]}`,
      type: 34,
      generation: 'DDR5',
      form: 'DIMM',
      gib: 32,
      speed: 5600,
      configured: 3600,
      millivolts: 1100,
      part: 'PLV5-32-5600',
      serial: `5500000${at + 1}`,
    }),
  ),
}

const bytes = ({ gib }: ReportedStick) => String(gib * 1024 ** 3)
const formCode = ({ form }: ReportedStick) => (form === 'SODIMM' ? '12' : '8')

/** The properties, in an order that differs from the one in which they are read. */
const PROPERTIES: [string, (one: ReportedStick) => string][] = [
  ['BankLabel', ({ bank }) => bank],
  ['Capacity', bytes],
  ['ConfiguredClockSpeed', ({ configured }) => String(configured)],
  ['ConfiguredVoltage', ({ millivolts }) => String(millivolts)],
  ['DeviceLocator', ({ locator }) => locator],
  ['FormFactor', formCode],
  ['Manufacturer', () => '0000'],
  ['PartNumber', ({ part }) => part],
  ['SerialNumber', ({ serial }) => serial],
  ['SMBIOSMemoryType', ({ type }) => String(type)],
  ['Speed', ({ speed }) => String(speed)],
]

/** What a console prints for a rig, with what surrounds it. */
export type Printer = (rig: readonly ReportedStick[]) => string

const list: Printer = (rig) =>
  [
    'PS C:\\Users\\bench> show-memory',
    '',
    ...rig.flatMap((one) => [
      ...PROPERTIES.map(([name, of]) => `${name.padEnd(20)} : ${of(one)}`),
      '',
    ]),
    '',
    'PS C:\\Users\\bench> ',
  ].join('\r\n')

const listUnaligned: Printer = (rig) =>
  rig
    .map((one) => PROPERTIES.map(([name, of]) => `    ${name}: ${of(one)}`).join('\n'))
    .join('\n\n')

const pairs: Printer = (rig) =>
  `\r\r\n\r\r\n${rig.map((one) => PROPERTIES.map(([name, of]) => `${name}=${of(one)}`).join('\r\r\n')).join('\r\r\n\r\r\n\r\r\n')}\r\r\n\r\r\n`

const NUMERIC = new Set([
  'Capacity',
  'ConfiguredClockSpeed',
  'ConfiguredVoltage',
  'FormFactor',
  'SMBIOSMemoryType',
  'Speed',
])

/** Ruled: figures right-aligned, words left, each column as wide as its widest. */
const ruledTable: Printer = (rig) => {
  const widths = PROPERTIES.map(([name, of]) =>
    Math.max(name.length, ...rig.map((one) => of(one).length)),
  )
  const row = (cells: string[]) =>
    cells
      .map((cell, n) =>
        NUMERIC.has(PROPERTIES[n]?.[0] ?? '')
          ? cell.padStart(widths[n] as number)
          : cell.padEnd(widths[n] as number),
      )
      .join(' ')
      .trimEnd()
  const dashes = PROPERTIES.map(([name]) => '-'.repeat(name.length))
  return [
    '',
    row(PROPERTIES.map(([name]) => name)),
    row(dashes),
    ...rig.map((one) => row(PROPERTIES.map(([, of]) => of(one)))),
    '',
  ].join('\n')
}

const plainRows = (rig: readonly ReportedStick[]): string[] => {
  const widths = PROPERTIES.map(
    ([name, of]) => Math.max(name.length, ...rig.map((one) => of(one).length)) + 2,
  )
  const row = (cells: string[]) => cells.map((cell, n) => cell.padEnd(widths[n] as number)).join('')
  return [
    row(PROPERTIES.map(([name]) => name)),
    ...rig.map((one) => row(PROPERTIES.map(([, of]) => of(one)))),
  ]
}

const plainTable: Printer = (rig) =>
  `C:\\>show memory\r\n${plainRows(rig).join('\r\n')}\r\n\r\nC:\\>`

/** The same where the console was 80 wide: every line broken at its edge. */
const brokenTable: Printer = (rig) =>
  plainRows(rig)
    .flatMap((row) => row.match(/.{1,80}/g) ?? [])
    .join('\n')

const csv: Printer = (rig) =>
  [
    '#TYPE instance',
    PROPERTIES.map(([name]) => `"${name}"`).join(','),
    ...rig.map((one) => PROPERTIES.map(([, of]) => `"${of(one)}"`).join(',')),
  ].join('\r\n')

const json: Printer = (rig) => {
  const objects = rig.map((one) =>
    Object.fromEntries(
      PROPERTIES.map(([name, of]) => [name, NUMERIC.has(name) ? Number(of(one)) : of(one)]),
    ),
  )
  return `bench@orchard:~$ cat memory.json\n${JSON.stringify(objects.length === 1 ? objects[0] : objects, null, 4)}\nbench@orchard:~$ `
}

const listing: Printer = (rig) =>
  [
    'root@bench:~# read-table --type memory',
    '# table reader 3.4',
    'Handle 0x0010, DMI type 16, 23 bytes',
    'Physical Memory Array',
    '\tLocation: System Board Or Motherboard',
    '\tUse: System Memory',
    `\tMaximum Capacity: ${128} GB`,
    `\tNumber Of Devices: ${rig.length}`,
    '',
    ...rig.flatMap((one, at) => [
      `Handle 0x00${20 + at}, DMI type 17, 92 bytes`,
      'Memory Device',
      '\tArray Handle: 0x0010',
      '\tTotal Width: 64 bits',
      '\tData Width: 64 bits',
      `\tSize: ${one.gib} GB`,
      `\tForm Factor: ${one.form}`,
      '\tSet: None',
      `\tLocator: ${one.locator}`,
      `\tBank Locator: ${one.bank}`,
      `\tType: ${one.generation}`,
      `\tSpeed: ${one.speed} MT/s`,
      '\tManufacturer: 0000',
      `\tSerial Number: ${one.serial}`,
      `\tPart Number: ${one.part}      `,
      `\tConfigured Memory Speed: ${one.configured} MT/s`,
      `\tConfigured Voltage: ${one.millivolts / 1000} V`,
      '',
    ]),
    'root@bench:~# ',
  ].join('\n')

const tree: Printer = (rig) =>
  [
    'bench',
    '  *-core',
    '     *-memory',
    '          description: System Memory',
    '          physical id: 1f',
    ...rig.flatMap((one, at) => [
      `        *-bank:${at}`,
      `             description: ${one.form} ${one.generation} Synchronous Unbuffered (Unregistered) ${one.speed} MHz (0.3 ns)`,
      `             product: ${one.part}`,
      '             vendor: 0000',
      `             serial: ${one.serial}`,
      `             slot: ${one.locator}`,
      `             size: ${one.gib}GiB`,
      '             width: 64 bits',
      `             clock: ${one.configured}MHz (0.4ns)`,
    ]),
    '     *-cpu',
    '          product: a processor',
  ].join('\n')

/** Every print form; `tree` has no voltages. */
export const PRINTERS: Record<string, Printer> = {
  list,
  listUnaligned,
  pairs,
  ruledTable,
  plainTable,
  brokenTable,
  csv,
  json,
  listing,
  tree,
}

/** Bytes as consoles list them. */
export const DUMPS: Record<string, (data: Uint8Array) => string> = {
  'offset and colon, pairs in fours, characters': (data) =>
    rows(data)
      .map(({ at, row }) => {
        const hex = row.map(two)
        const groups = Array.from({ length: 8 }, (_, n) => hex.slice(n * 2, n * 2 + 2).join(''))
        return `${at.toString(16).padStart(8, '0')}: ${groups.join(' ')}  ${characters(row)}`
      })
      .join('\n'),
  'two blanks, a gap, bars, repeats squeezed': (data) =>
    squeezed(
      data,
      ({ at, row }) => {
        const hex = row.map(two)
        return `${at.toString(16).padStart(8, '0')}  ${hex.slice(0, 8).join(' ')}  ${hex.slice(8).join(' ')}  |${characters(row)}|`
      },
      (end) => end.toString(16).padStart(8, '0'),
    ),
  'column numbers above': (data) =>
    [
      '     0  1  2  3  4  5  6  7  8  9  a  b  c  d  e  f    0123456789abcdef',
      ...rows(data).map(
        ({ at, row }) =>
          `${at.toString(16).padStart(2, '0')}: ${row.map(two).join(' ')}    ${characters(row)}`,
      ),
    ].join('\r\n'),
  'octal offsets': (data) =>
    squeezed(
      data,
      ({ at, row }) => `${at.toString(8).padStart(7, '0')} ${row.map(two).join(' ')}`,
      (end) => end.toString(8).padStart(7, '0'),
    ),
  'hexadecimal offsets of six': (data) =>
    squeezed(
      data,
      ({ at, row }) => `${at.toString(16).padStart(6, '0')} ${row.map(two).join(' ')}`,
      (end) => end.toString(16).padStart(6, '0'),
    ),
  '16-bit words, low byte first': (data) =>
    rows(data)
      .map(
        ({ at, row }) =>
          `${at.toString(16).padStart(7, '0')} ${Array.from({ length: 8 }, (_, n) => two(row[n * 2 + 1] as number) + two(row[n * 2] as number)).join(' ')}`,
      )
      .join('\n'),
  'as a program has them': (data) =>
    `const contents = {\n${rows(data)
      .map(({ row }) => `  ${row.map((one) => `0x${two(one)}`).join(', ')},`)
      .join('\n')}\n};`,
  bare: (data) =>
    rows(data)
      .map(({ row }) => row.map(two).join(' '))
      .join('\n'),
}

const two = (byte: number) => byte.toString(16).padStart(2, '0')
const characters = (row: readonly number[]) =>
  row.map((one) => (one >= 32 && one < 127 ? String.fromCharCode(one) : '.')).join('')

function rows(data: Uint8Array): { at: number; row: number[] }[] {
  return Array.from({ length: data.length / 16 }, (_, n) => ({
    at: n * 16,
    row: [...data.subarray(n * 16, n * 16 + 16)],
  }))
}

function squeezed(
  data: Uint8Array,
  line: (row: { at: number; row: number[] }) => string,
  last: (end: number) => string,
): string {
  const out: string[] = []
  let before = ''
  for (const row of rows(data)) {
    const key = row.row.join()
    if (key !== before) out.push(line(row))
    else if (out.at(-1) !== '*') out.push('*')
    before = key
  }
  return [...out, last(data.length)].join('\n')
}
