import { writeFileSync } from 'node:fs'
import { dsvFormat } from 'd3-dsv'
import { compareRuns, frameFigures, logHead, readColumn } from '../src/measure'
import { normal, random } from '../src/simulate'

const ROWS = 1_000_000

const noise = normal(random(7))
const rows = ['Index,FrameTime (ms),Rest']
for (let at = 0; at < ROWS; at += 1) {
  rows.push(`${at},${(12 * Math.exp(0.1 * noise())).toFixed(4)},x${at % 10}`)
}
const text = rows.join('\n')
rows.length = 0

function timed<T>(work: () => T): { ms: number; value: T } {
  const begun = performance.now()
  const value = work()
  return { ms: performance.now() - begun, value }
}

const median = (values: number[]) => values.sort((a, b) => a - b)[values.length >> 1] as number
const plain: number[] = []
const ours: number[] = []
for (let round = 0; round < 5; round += 1) {
  plain.push(timed(() => dsvFormat(',').parseRows(text).length).ms)
  ours.push(
    timed(() => {
      const head = logHead(text)
      if (!head) throw new Error('no head')
      const { values } = readColumn(text, head, 'FrameTime (ms)')
      return frameFigures(values)
    }).ms,
  )
}

let called = 0
const PAIRS = 20_000
for (let pair = 0; pair < PAIRS; pair += 1) {
  const runs = () => Array.from({ length: 5 }, () => 100 * Math.exp(0.02 * noise()))
  if (compareRuns(runs(), runs(), 'higher').verdict !== 'cannot-tell') called += 1
}

writeFileSync(
  process.argv[2] as string,
  JSON.stringify([
    {
      what: `a frame log of 1,000,000 rows (${(text.length / 1e6).toFixed(0)} MB), parsed and analysed`,
      measured: `${median(ours).toFixed(0)} ms, ${(median(ours) / median(plain)).toFixed(2)}× of merely parsing it (${median(plain).toFixed(0)} ms); ${(process.resourceUsage().maxRSS / 1024).toFixed(0)} MB at most in the whole process, the log and both ways of parsing it`,
      aim: '–',
    },
    {
      what: `pairs of five runs with no true change that are called a gain or a loss, of ${PAIRS}`,
      measured: `${((100 * called) / PAIRS).toFixed(1)} %`,
      aim: '5 % ± 1',
    },
  ]),
)
