import { type Family, none, says } from './case'

const device = (locator: string, size: string, more = '') =>
  `Handle 0x00${locator.length}${locator.charCodeAt(locator.length - 1)}, DMI type 17, 84 bytes\nMemory Device\n\tTotal Width: 64 bits\n\tData Width: 64 bits\n\tSize: ${size}\n\tForm Factor: SODIMM\n\tLocator: ${locator}\n\tBank Locator: BANK 0\n\tType: DDR4\n\tType Detail: Synchronous\n\tSpeed: 3200 MT/s\n\tConfigured Memory Speed: 3200 MT/s\n${more}`
const array =
  'Handle 0x0010, DMI type 16, 23 bytes\nPhysical Memory Array\n\tLocation: System Board Or Motherboard\n\tUse: System Memory\n\tError Correction Type: None\n\tMaximum Capacity: 32 GB\n\tNumber Of Devices: 2\n'
const two = [
  array,
  device('DIMM A', '8 GB', '\tSerial Number: 0A1B2C01\n'),
  device('DIMM B', '8 GB', '\tSerial Number: 0A1B2C02\n'),
].join('\n')
const csv =
  'DeviceLocator,Capacity,Speed,SMBIOSMemoryType,FormFactor,SerialNumber\nDIMM A,8589934592,3200,26,12,0A1B2C01\nDIMM B,8589934592,3200,26,12,0A1B2C02'
const listed =
  'DeviceLocator : DIMM A\nCapacity      : 8589934592\nSpeed         : 3200\nSMBIOSMemoryType : 26\nFormFactor    : 12\nSerialNumber  : 0A1B2C01\n\nDeviceLocator : DIMM B\nCapacity      : 8589934592\nSpeed         : 3200\nSMBIOSMemoryType : 26\nFormFactor    : 12\nSerialNumber  : 0A1B2C02'
const pair = ['8G DDR4 SODIMM', '8G DDR4 SODIMM']
const quoted = (text: string, mark = '> ') =>
  text
    .split('\n')
    .map((line) => mark + line)
    .join('\n')

/** Reports as they are pasted: twice, quoted, cut, with words around. */
export const PASTES: Family = {
  name: 'pastes',
  cases: [
    { ...says(two, ...pair), machine: { maximumGiB: 32, slotCount: 2 } },
    says(csv, ...pair),
    says(listed, ...pair),
    { ...says(`${two}\n\n${two}`, ...pair), machine: { slotCount: 2 } },
    says(`${csv}\n${csv}`, ...pair),
    says(`${csv}\n\n${csv}`, ...pair),
    says(`${listed}\n\n${listed}`, ...pair),
    says(`${listed}\n\n${csv}`, ...pair),
    { ...says(quoted(two), ...pair), machine: { maximumGiB: 32, slotCount: 2 } },
    says(quoted(csv), ...pair),
    says(quoted(listed), ...pair),
    says(quoted(quoted(listed)), ...pair),
    says(quoted(listed, '>'), ...pair),
    says(quoted(listed, '| '), ...pair),
    says(quoted('8GB 1Rx8 PC4-2666V-SA1-11'), '8G DDR4 SODIMM 1Rx8 r2666'),
    says(`Hello,\nhere is the list you asked for:\n\n${listed}\n\nRegards\nRuna`, ...pair),
    says(`Hi, this is on the sticker: 8GB 1Rx8 PC4-2666V-SA1-11`, '8G DDR4 SODIMM 1Rx8 r2666'),
    says(`${quoted(listed)}\n\nThank you!`, ...pair),
    says(listed.split('\n').slice(7).join('\n').trimStart(), '8G DDR4 SODIMM'),
    says(listed.split('\n').slice(0, 6).join('\n'), '8G DDR4 SODIMM'),
    says(
      '8GB 1Rx8 PC4-2666V-SA1-11\n8GB 1Rx8 PC4-2666V-SA1-11',
      '8G DDR4 SODIMM r2666',
      '8G DDR4 SODIMM r2666',
    ),
    says(two.replaceAll('\t', '    '), ...pair),
    says(two.replaceAll('\n', '\r\n'), ...pair),
    says(listed.replaceAll(' : ', ': '), ...pair),
    says(`\u001b[1m${listed}\u001b[0m`, ...pair),
  ],
}

/** Serial numbers that are none, and reports that leave things out. */
export const REPORT_ODDITIES: Family = {
  name: 'report oddities',
  cases: [
    ...[
      'Unknown',
      'None',
      '00000000',
      'FFFFFFFF',
      '12345678',
      'SerNum0',
      'Not Specified',
      'N/A',
      '0',
    ].map((serial) =>
      says(
        [array, device('DIMM A', '8 GB', `\tSerial Number: ${serial}\n`)].join('\n'),
        '8G DDR4 SODIMM ?serial',
      ),
    ),
    ...['Unknown', 'None', '00000000', 'FFFFFFFF', '12345678', 'SerNum0', 'N/A'].map((serial) =>
      says(`8GB 1Rx8 PC4-2666V-SA1-11 S/N: ${serial}`, '8G DDR4 SODIMM r2666 ?serial'),
    ),
    says(
      [array, device('DIMM A', 'No Module Installed'), device('DIMM B', '16 GB')].join('\n'),
      '16G DDR4 SODIMM',
    ),
    says([array, device('DIMM A', '8192 MB')].join('\n'), '8G DDR4 SODIMM'),
    says([array, device('DIMM A', '16384 MB')].join('\n'), '16G DDR4 SODIMM'),
    says([array, device('DIMM A', '8 GiB')].join('\n'), '8G DDR4 SODIMM'),
    none(
      [
        array,
        device('DIMM A', 'No Module Installed'),
        device('DIMM B', 'No Module Installed'),
      ].join('\n'),
    ),
  ],
}

/** Memory in use, with and without its unit. */
export const UNITS: Family = {
  name: 'units',
  cases: [
    {
      ...none(
        '              total        used        free      shared  buff/cache   available\nMem:       16256504     5242880     2097152      102400     8916472    10485760\nSwap:       2097148           0     2097148',
      ),
      system: { totalGiB: 15.5 },
    },
    {
      ...none(
        '              total        used        free      shared  buff/cache   available\nMem:          15876        5120        2048         100        8708       10240\nSwap:          2047           0        2047',
      ),
      system: { totalGiB: 15.5 },
    },
    {
      ...none(
        '              total        used        free      shared  buff/cache   available\nMem:             15           5           2           0           8          10\nSwap:             1           0           1',
      ),
      system: { totalGiB: null },
    },
    {
      ...none(
        '               total        used        free      shared  buff/cache   available\nMem:     16646660096  5368709120  2147483648   104857600  9130467328 10737418240\nSwap:     2147479552           0  2147479552',
      ),
      system: { totalGiB: 15.5 },
    },
    {
      ...none(
        '              total        used        free      shared  buff/cache   available\nMem:           15Gi       5.0Gi       2.0Gi       100Mi       8.5Gi        10Gi\nSwap:         2.0Gi          0B       2.0Gi',
      ),
      system: { totalGiB: 15 },
    },
    {
      ...none(
        '              total        used        free      shared  buff/cache   available\nMem:            15G        5.0G        2.0G        100M        8.5G         10G\nSwap:          2.0G          0B        2.0G',
      ),
      system: { totalGiB: 15 },
    },
    {
      ...none(
        'MemTotal:       16256504 kB\nMemFree:         2097152 kB\nMemAvailable:   10485760 kB',
      ),
      system: { totalGiB: 15.5 },
    },
    {
      ...none('TotalVisibleMemorySize : 16256504\nFreePhysicalMemory     : 8388608'),
      system: { totalGiB: 15.5 },
    },
    {
      ...none('Total Physical Memory:     15,876 MB\nAvailable Physical Memory: 8,192 MB'),
      system: { totalGiB: 15.5 },
    },
    {
      ...none(
        'Gesamter physischer Speicher:                  15.876 MB\nVerfügbarer physischer Speicher:               8.192 MB',
      ),
      system: { totalGiB: 15.5 },
    },
    {
      ...none(
        '             total       used       free     shared    buffers     cached\nMem:      16256504    5242880   11013624     102400     204800    4096000',
      ),
      system: { totalGiB: 15.5 },
    },
  ],
}
