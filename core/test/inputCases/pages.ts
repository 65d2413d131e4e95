import { type Family, type InputCase, none, says } from './case'

const limit = (text: string, maximumGiB: number, slotCount?: number): InputCase => ({
  ...none(text),
  machine: { maximumGiB, ...(slotCount === undefined ? {} : { slotCount }) },
})

/** Specification pages as shops and makers print them: a maximum is a limit, what is in it is a module. */
export const SPECIFICATION_PAGES: Family = {
  name: 'pages',
  cases: [
    limit('Maximum memory: 32GB DDR4-2400', 32),
    limit('Max. memory: 64 GB DDR4', 64),
    limit('Maximum memory 32 GB, 2 slots SO-DIMM DDR4-2666', 32, 2),
    limit('Memory: up to 64GB DDR5-4800, 2 SO-DIMM slots', 64, 2),
    limit('Memory slots: 4\nMaximum memory: 128 GB', 128, 4),
    limit('Arbeitsspeicher maximal: 32 GB', 32),
    limit('Max. Arbeitsspeicher: 32 GB DDR4-2666', 32),
    limit('Speicherbänke: 2\nMaximaler Speicher: 32 GB', 32, 2),
    limit('Mémoire maximale : 32 Go DDR4', 32),
    limit('Emplacements mémoire : 2\nMémoire maximale : 64 Go', 64, 2),
    limit('Memoria máxima: 32 GB', 32),
    limit('Maksymalna pamięć: 64 GB', 64),
    limit('Expandable to 16 GB DDR3L', 16),
    limit('Supports up to 64GB DDR4-3200 SO-DIMM', 64),
    limit('Memory type: DDR4-2666\nSlots: 2 x SO-DIMM\nMaximum capacity: 32 GB', 32, 2),
    limit('4 x DIMM, max. 128GB, DDR4 3200/2933/2666 MHz', 128, 4),
    none('Memory: DDR4-3200, non-ECC, dual channel'),
    none('Supported memory: DDR4 3200 / 2933 / 2666 MHz'),
    says('Installed memory: 8 GB DDR4-2666 SO-DIMM', '8G DDR4 SODIMM r2666'),
    {
      ...says(
        'Standard memory: 8GB DDR4-2400 SO-DIMM\nMaximum memory: 32GB',
        '8G DDR4 SODIMM r2400',
      ),
      machine: { maximumGiB: 32 },
    },
    {
      ...says(
        'Memory 16 GB DDR5-4800 SO-DIMM (1 x 16 GB), max. 64 GB, 2 slots',
        '16G DDR5 SODIMM r4800',
      ),
      machine: { maximumGiB: 64, slotCount: 2 },
    },
    {
      ...says('8 GB LPDDR4X-4266 soldered, not upgradable', '8G soldered'),
      machine: { maximumGiB: 8 },
    },
    {
      ...says('8GB DDR4 onboard + 1 x SO-DIMM slot, max 24GB', '8G DDR4 soldered'),
      machine: { maximumGiB: 24, slotCount: 1 },
    },
    none('Storage: 512 GB SSD\nDisplay: 14"'),
    none('Graphics memory: 4 GB GDDR6'),
    none('Number of DIMM slots | 4\nMemory types | DDR4-SDRAM'),
  ],
}

/** Setup screens and clock tools: observations, never modules. */
export const CLOCKS: Family = {
  name: 'clocks',
  cases: [
    none('DRAM frequency 1596 MHz, CL 16, Dual'),
    none('DRAM Frequency\t1596.5 MHz\nFSB:DRAM\t1:16\nCAS# Latency (CL)\t16.0 clocks'),
    none(
      'Channel #\t2 x 64-bit\nDRAM Frequency\t1596.0 MHz\nCAS# Latency (CL)\t16.0 clocks\nRAS# to CAS# Delay (tRCD)\t18 clocks',
    ),
    none('Total Memory: 32768 MB\nMemory Frequency: 3200 MHz\nMemory Profile: Disabled'),
    none(
      'Memory Frequency      3200MHz\nTotal Memory          32768MB\nChannel A  16384MB\nChannel B  16384MB',
    ),
    none('DRAM Voltage 1.350V\nDRAM Timing 16-18-18-36'),
    none('Memory Multiplier 32.00\nMemory Frequency (MHz) 3200'),
    none('Uncore Frequency 3600 MHz\nDRAM Frequency 1600 MHz'),
    none(
      'The amount of system memory has changed.\nTotal system memory: 16 GB. Press F1 to continue.',
    ),
    none('Memory Size: 16384MB DDR4 3200MHz Dual Channel'),
  ],
}

/** Forms that tools print and nobody read yet. */
export const TOOL_FORMS: Family = {
  name: 'tools',
  cases: [
    says(
      'Memory:\n  RAM: total: 15.5 GiB used: 5.0 GiB (32%)\n  Array-1: capacity: 32 GiB slots: 2 EC: None\n  Device-1: ChannelA-DIMM0 type: DDR4 size: 8 GiB speed: 3200 MT/s\n  Device-2: ChannelB-DIMM0 type: DDR4 size: 8 GiB speed: 3200 MT/s',
      '8G DDR4 r3200',
      '8G DDR4 r3200',
    ),
    says(
      '  Device-1: DIMM 0 type: DDR4 size: 16 GiB speed: spec: 3200 MT/s actual: 2667 MT/s\n  Device-2: DIMM 1 type: no module installed',
      '16G DDR4 r3200',
    ),
    says(
      'H/W path           Class      Description\n=========================================\n/0/39              memory     16GiB System Memory\n/0/39/0            memory     8GiB SODIMM DDR4 Synchronous 3200 MHz (0.3 ns)\n/0/39/1            memory     8GiB SODIMM DDR4 Synchronous 3200 MHz (0.3 ns)',
      '8G DDR4 SODIMM r3200',
      '8G DDR4 SODIMM r3200',
    ),
    says(
      '{"id":"memory","class":"memory","description":"System Memory","units":"bytes","size":17179869184,"children":[{"id":"bank:0","class":"memory","description":"SODIMM DDR4 Synchronous 3200 MHz (0.3 ns)","slot":"ChannelA-DIMM0","units":"bytes","size":8589934592,"width":64,"clock":3200000000},{"id":"bank:1","class":"memory","description":"SODIMM DDR4 Synchronous 3200 MHz (0.3 ns)","slot":"ChannelB-DIMM0","units":"bytes","size":8589934592,"width":64,"clock":3200000000}]}',
      '8G DDR4 SODIMM r3200',
      '8G DDR4 SODIMM r3200',
    ),
    says(
      'Memory:\n\n    Memory Slots:\n\n      ECC: Disabled\n      Upgradeable Memory: Yes\n\n        BANK 0/ChannelA-DIMM0:\n\n          Size: 8 GB\n          Type: DDR4\n          Speed: 2667 MHz\n          Status: OK\n          Part Number: LRK4-8-2666\n          Serial Number: 3A7100C2\n\n        BANK 2/ChannelB-DIMM0:\n\n          Size: Empty\n          Type: Empty\n          Speed: Empty\n          Status: Empty',
      '8G DDR4 r2666',
    ),
    says(
      '{\n  "SPMemoryDataType" : [\n    {\n      "_items" : [\n        {\n          "_name" : "BANK 0/ChannelA-DIMM0",\n          "dimm_size" : "8 GB",\n          "dimm_speed" : "2667 MHz",\n          "dimm_type" : "DDR4",\n          "dimm_part_number" : "LRK4-8-2666"\n        }\n      ]\n    }\n  ]\n}',
      '8G DDR4 r2666',
    ),
    says(
      'BankLabel  Capacity    ConfiguredClockSpeed  DeviceLocator   FormFactor  PartNumber   SerialNumber  SMBIOSMemoryType  Speed\nBANK 0     8589934592  3200                  ChannelA-DIMM0  12          LRK4-8-3200  3A7100C2      26                3200',
      '8G DDR4 SODIMM r3200',
    ),
    {
      ...none(
        'Host Name:                 BENCH-1\nTotal Physical Memory:     15,876 MB\nAvailable Physical Memory: 8,192 MB\nVirtual Memory: Max Size:  18,308 MB',
      ),
      system: { totalGiB: 15.5 },
    },
    says('Capacity\n8589934592\n8589934592', '8G', '8G'),
    says('Capacity=8589934592\n\nCapacity=17179869184', '8G', '16G'),
  ],
}
