import { forecast, type MemoryNeed, type MemoryState, type Work } from '../src/judging/forecast'
import type { Bound } from '../src/things/model'

/** Known upgrades: what is forecast. Prints the rows of docs/forecasts.md. */
const ddr4 = (channels: number, usableGiB = 16): MemoryState => ({
  peakGBs: 25.6 * channels,
  firstWordNs: 13.75,
  usableGiB,
})
const ddr5 = (dataRate: number, cl: number): MemoryState => ({
  peakGBs: (dataRate * 16) / 1000,
  firstWordNs: (cl * 2000) / dataRate,
  usableGiB: 32,
})

const CASES: [
  string,
  Work,
  MemoryState,
  MemoryState,
  MemoryNeed | null,
  'solid-state' | 'spinning',
  string,
  (Bound | null)?,
][] = [
  [
    '1 → 2 channels, DDR4-3200',
    'integrated-graphics',
    ddr4(1),
    ddr4(2),
    null,
    'solid-state',
    '25–80 % faster',
  ],
  [
    '1 → 2 channels, DDR4-3200',
    'games-processor',
    ddr4(1),
    ddr4(2),
    null,
    'solid-state',
    '5–20 % faster',
  ],
  [
    '1 → 2 channels, DDR4-3200',
    'compression',
    ddr4(1),
    ddr4(2),
    null,
    'solid-state',
    '8–30 % faster',
  ],
  ['1 → 2 channels, DDR4-3200', 'compiling', ddr4(1), ddr4(2), null, 'solid-state', '1–8 % faster'],
  ['1 → 2 channels, DDR4-3200', 'video', ddr4(1), ddr4(2), null, 'solid-state', '1–10 % faster'],
  ['1 → 2 channels, DDR4-3200', 'office', ddr4(1), ddr4(2), null, 'solid-state', 'at most 3 %'],
  [
    '1 → 2 channels, DDR4-3200',
    'games',
    ddr4(1),
    ddr4(2),
    null,
    'solid-state',
    'at most 3 %; slowest frames not measured by us',
    'card',
  ],
  [
    '1 → 2 channels, DDR4-3200',
    'games',
    ddr4(1),
    ddr4(2),
    null,
    'solid-state',
    'at most 3 % by the card, 5–20 % by the processor',
    null,
  ],
  [
    'DDR5 4800 CL 40 → 6000 CL 30',
    'games-processor',
    ddr5(4800, 40),
    ddr5(6000, 30),
    null,
    'solid-state',
    '3–10 % faster',
  ],
  [
    'DDR5 4800 CL 40 → 6000 CL 30',
    'office',
    ddr5(4800, 40),
    ddr5(6000, 30),
    null,
    'solid-state',
    'at most 2 %',
  ],
  [
    '8 → 16 GB, 10 GB needed',
    'browsing',
    ddr4(2, 8),
    ddr4(2),
    { low: 9, likely: 10, high: 12 },
    'solid-state',
    'plainly faster, stalls gone',
  ],
  [
    '8 → 16 GB, 10 GB needed',
    'photos',
    ddr4(2, 8),
    ddr4(2),
    { low: 9, likely: 10, high: 12 },
    'spinning',
    'minutes of stalls gone',
  ],
  [
    '4 → 8 GB, 5 GB needed',
    'browsing',
    ddr4(1, 4),
    ddr4(1, 8),
    { low: 4.5, likely: 5, high: 7 },
    'solid-state',
    'stalls gone',
  ],
  [
    '8 → 16 GB, 5 GB needed',
    'office',
    ddr4(2, 8),
    ddr4(2),
    { low: 4, likely: 5, high: 7 },
    'solid-state',
    'nothing',
  ],
  [
    '1 → 2 channels, DDR4-3200',
    'models',
    ddr4(1),
    ddr4(2),
    null,
    'solid-state',
    'not measured by us',
  ],
]

for (const [change, work, before, after, need, disk, known, bound] of CASES) {
  const { median, most, words, low1 } = forecast({
    uses: [{ work, weight: 1, need, bound: bound ?? null }],
    before,
    after,
    disk,
  })
  const [low, high] = most.map((one) => one.toFixed(2))
  const limit =
    bound === undefined ? '' : bound === null ? ', limit not known' : `, by the ${bound}`
  const slowest = low1 ? `${low1.median.toFixed(2)} ×` : '–'
  console.log(
    `| ${change} | ${work}${limit}${disk === 'spinning' ? ', spinning disk' : ''} | ${median.toFixed(2)} × | ${low}–${high} | ${slowest} | ${words} | ${known} |`,
  )
}
