interface Slot {
  locator: string
  /** Lines of what is in it; none for an empty slot. */
  lines?: string[]
}

/** A text listing as a running system gives it, with the liberties makers take. */
function listing(maximum: string, slots: Slot[]): string {
  return [
    'Handle 0x0012, DMI type 16, 23 bytes',
    'Physical Memory Array',
    '\tUse: System Memory',
    '\tError Correction Type: None',
    `\tMaximum Capacity: ${maximum}`,
    `\tNumber Of Devices: ${slots.length}`,
    '',
    ...slots.flatMap(({ locator, lines }, at) => [
      `Handle 0x00${20 + at}, DMI type 17, 84 bytes`,
      'Memory Device',
      ...(lines ? [] : ['\tSize: No Module Installed']),
      `\tLocator: ${locator}`,
      `\tBank Locator: BANK ${at}`,
      ...(lines ?? []).map((line) => `\t${line}`),
      '',
    ]),
  ].join('\n')
}

const fitted = (part: string, size: string, rated: number, configured: number, serial: string) => [
  'Total Width: 64 bits',
  'Data Width: 64 bits',
  `Size: ${size}`,
  'Form Factor: SODIMM',
  'Type: DDR4',
  'Type Detail: Synchronous Unbuffered (Unregistered)',
  `Speed: ${rated} MT/s`,
  'Manufacturer: Not Specified',
  `Serial Number: ${serial}`,
  `Part Number: ${part}      `,
  'Rank: 1',
  `Configured Memory Speed: ${configured} MT/s`,
]

/** The all-in-one of the pottery: its readout allows 64 GiB, and one module runs below its rate. */
export const ALL_IN_ONE = listing('64 GB', [
  {
    locator: 'ChannelA-DIMM0',
    lines: fitted('Larkfield L4-4-2400', '4 GB', 2400, 1200, '31C0FFEE'),
  },
  { locator: 'ChannelA-DIMM1' },
  { locator: 'ChannelB-DIMM0' },
  { locator: 'ChannelB-DIMM1' },
])

/** The orchard's laptop: its readout lists four slots where the bottom shows two. */
export const LAPTOP = listing('32 GB', [
  {
    locator: 'ChannelA-DIMM0',
    lines: fitted('Larkfield L4-16-3200', '16 GB', 3200, 2667, '0B5E55ED'),
  },
  { locator: 'ChannelA-DIMM1' },
  { locator: 'ChannelB-DIMM0' },
  { locator: 'ChannelB-DIMM1' },
])

/** What the scanner's old laptop is, before anyone opened it. */
export const OLD_LAPTOP_LABEL = '2GB 1Rx8 PC3L-12800S-11-12-B2  S/N: 5A5A0117'
