import { writeFileSync } from 'node:fs'
import {
  type Forecast,
  forecast,
  type MemoryState,
  type ShopResult,
  type Work,
} from '../src/judging/forecast'
import { normal, random } from '../src/things/random'

/** Ranges that the trade measures for a second channel at DDR4-3200, and what machines differ by. */
const TRADE: [Work, number, number, number][] = [
  ['games-processor', 1.05, 1.2, 0.04],
  ['compression', 1.08, 1.3, 0.04],
  ['compiling', 1.01, 1.08, 0.04],
  ['video', 1.01, 1.1, 0.04],
  ['integrated-graphics', 1.25, 1.8, 0.05],
  ['models', 1.55, 1.9, 0.04],
  ['office', 1, 1.03, 0.015],
]

const state = (peakGBs: number): MemoryState => ({ peakGBs, firstWordNs: 13.75, usableGiB: 16 })
const [single, dual] = [state(25.6), state(51.2)]

const of = (
  work: Work,
  results: readonly ShopResult[] = [],
  before = single,
  after = dual,
): Forecast =>
  forecast({
    uses: [{ work, weight: 1, need: null, bound: 'card' }],
    before,
    after,
    disk: 'solid-state',
    results,
  })

const rows: { what: string; measured: string; aim: string }[] = []
const percent = (share: number) => `${(100 * share).toFixed(0)} %`
const holds = ({ most: [low, high] }: Forecast, ratio: number) => ratio >= low && ratio <= high

rows.push({
  what: 'second channel: truths drawn evenly from the trade’s ranges that the 90 % range holds',
  measured: TRADE.map(([work, low, high]) => {
    const said = of(work)
    const truths = Array.from({ length: 1000 }, (_, at) => low + ((high - low) * (at + 0.5)) / 1000)
    return `${work} ${percent(truths.filter((one) => holds(said, one)).length / truths.length)}`
  }).join(', '),
  aim: '85 %',
})

const SHOPS = 150
const MACHINES = 10
for (const count of [0, 1, 6, 30]) {
  const measured = TRADE.map(([work, low, high, differs]) => {
    const chance = random(count + 1)
    const draw = normal(chance)
    let held = 0
    for (let shop = 0; shop < SHOPS; shop += 1) {
      const truth = Math.log(low + (high - low) * chance())
      // More bandwidth makes nothing slower.
      const machine = () => Math.max(1, Math.exp(truth + differs * draw()))
      const results = Array.from({ length: count }, () => ({
        work,
        before: single,
        after: dual,
        ratio: machine() * Math.exp(0.02 * draw()),
        sd: 0.02,
      }))
      const said = of(work, results)
      for (let next = 0; next < MACHINES; next += 1) if (holds(said, machine())) held += 1
    }
    return `${work} ${percent(held / SHOPS / MACHINES)}`
  })
  rows.push({
    what: `second channel: next machines that the 90 % range holds after ${count} results`,
    measured: measured.join(', '),
    aim: '85 %',
  })
}

const odd = (work: Work, ratio: number) => {
  const result = { work, before: single, after: dual, ratio, sd: 0.03 }
  const [before, after] = [of(work), of(work, [result])]
  const moved = Math.log(after.median / before.median) / Math.log(ratio / before.median)
  return `${work} ${ratio}: ${percent(moved)} of the way`
}
rows.push({
  what: 'one result unlike the others, alone',
  measured: [
    odd('integrated-graphics', 0.8),
    odd('games-processor', 0.8),
    odd('games-processor', 1.6),
  ].join('; '),
  aim: 'less than a third of the way',
})

const generations = (work: Work) =>
  [1333, 2133, 3200, 4800, 6000].map((dataRate) => {
    const peak = (dataRate * 8) / 1000
    return of(work, [], state(peak), state(2 * peak)).median.toFixed(2)
  })
const back = TRADE.map(([work]) => of(work).median * of(work, [], dual, single).median)
rows.push({
  what: 'a second channel at 1333, 2133, 3200, 4800, 6000 MT/s; there and back',
  measured: `games by the processor ${generations('games-processor').join(', ')}; models ${generations('models').join(', ')}; medians multiply to ${Math.min(...back).toFixed(3)}–${Math.max(...back).toFixed(3)}`,
  aim: '1.04–1.18; 1.55–1.9; 0.95–1.05',
})

writeFileSync(process.argv[2] as string, JSON.stringify(rows))
