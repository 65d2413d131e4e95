import { execFileSync } from 'node:child_process'
import { mkdtempSync, rmSync, statSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { compareRuns } from '../src/measure'
import { normal, random } from '../src/random'

const ROWS = 1_000_000
const ROUNDS = 5
const PAIRS = 20_000

const noise = normal(random(7))
const folder = mkdtempSync(join(tmpdir(), 'tembrix-bench-'))
const log = join(folder, 'frames.csv')
const rows = ['Index,FrameTime (ms),Rest']
for (let at = 0; at < ROWS; at += 1) {
  rows.push(`${at},${(12 * Math.exp(0.1 * noise())).toFixed(4)},x${at % 10}`)
}
writeFileSync(log, rows.join('\n'))

interface Read {
  ms: number
  peakMB: number
  moreMB: number
}

/** Each in a process of its own, so that the one's memory is not the other's. */
function read(how: 'analysed' | 'parsed'): Read {
  const script = fileURLToPath(new URL('./frameLog.ts', import.meta.url))
  const said = execFileSync(process.execPath, [...process.execArgv, script, how, log])
  return JSON.parse(said.toString())
}

const median = (values: number[]) => values.sort((a, b) => a - b)[values.length >> 1] as number
const plain: Read[] = []
const ours: Read[] = []
for (let round = 0; round < ROUNDS; round += 1) {
  plain.push(read('parsed'))
  ours.push(read('analysed'))
}
const size = statSync(log).size / 1e6
rmSync(folder, { recursive: true })
const of = (reads: Read[], name: keyof Read) => median(reads.map((one) => one[name]))

function called(length: number): string {
  let wrong = 0
  for (let pair = 0; pair < PAIRS; pair += 1) {
    const runs = () => Array.from({ length }, () => 100 * Math.exp(0.02 * noise()))
    if (compareRuns(runs(), runs(), 'higher').verdict !== 'cannot-tell') wrong += 1
  }
  return `${((100 * wrong) / PAIRS).toFixed(1)} %`
}

writeFileSync(
  process.argv[2] as string,
  JSON.stringify([
    {
      what: `a frame log of 1,000,000 rows (${size.toFixed(0)} MB), read and analysed`,
      measured: `${of(ours, 'ms').toFixed(0)} ms, ${(of(ours, 'ms') / of(plain, 'ms')).toFixed(2)}× of merely parsing it (${of(plain, 'ms').toFixed(0)} ms)`,
      aim: '–',
    },
    {
      what: 'the same: memory at most in a process that does nothing else, over what it began with',
      measured: `${of(ours, 'moreMB').toFixed(0)} MB over ${(of(ours, 'peakMB') - of(ours, 'moreMB')).toFixed(0)} MB; merely parsing it ${of(plain, 'moreMB').toFixed(0)} MB`,
      aim: '–',
    },
    {
      what: `pairs with no true change that are called a gain or a loss, of ${PAIRS} each: 3, 5, 10 runs a side`,
      measured: [3, 5, 10].map(called).join(', '),
      aim: '5 % ± 1',
    },
  ]),
)
