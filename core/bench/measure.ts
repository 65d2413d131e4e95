import { execFileSync } from 'node:child_process'
import { mkdtempSync, rmSync, statSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { compare, type Session } from '../src/bench/measure'
import { normal, random } from '../src/things/random'

const ROWS = 1_000_000
const ROUNDS = 5
const PAIRS = 5000

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

/** Pairs whose sessions scatter by 1 %, and runs within them by 1 % too, each as like the one before as is said. */
function called(sessions: number, runs: number, alike: number, gain = 0): number {
  let many = 0
  const session = (level: number): Session => {
    const place = level + 0.01 * noise()
    let own = 0.01 * noise()
    const made = Array.from({ length: runs }, (_, at) => {
      if (at > 0) own = alike * own + Math.sqrt(1 - alike ** 2) * 0.01 * noise()
      return 100 * Math.exp(place + own)
    })
    return { at: null, runs: made }
  }
  const side = (level: number) => Array.from({ length: sessions }, () => session(level))
  for (let pair = 0; pair < PAIRS; pair += 1) {
    const { verdict } = compare({ better: 'higher', before: side(0), after: side(gain) })
    if (verdict === 'gain' || verdict === 'loss') many += 1
  }
  return (100 * many) / PAIRS
}

/** Three sessions before, then three after, of a machine that gets faster by 1 % a session. */
function calledDrifting(gain: number): number {
  let many = 0
  for (let pair = 0; pair < PAIRS; pair += 1) {
    const side = (from: number, shift: number) =>
      [0, 1, 2].map((at) => {
        const centre = shift + 0.01 * (from + at) + 0.009 * noise()
        return {
          at: null,
          runs: Array.from({ length: 5 }, () => 100 * Math.exp(centre + 0.01 * noise())),
        }
      })
    const { verdict } = compare({ better: 'higher', before: side(0, 0), after: side(3, gain) })
    if (verdict === 'gain' || verdict === 'loss') many += 1
  }
  return (100 * many) / PAIRS
}

const large = () => ({
  at: null,
  runs: Array.from({ length: 1000 }, () => 100 * Math.exp(0.01 * noise())),
})
const begun = performance.now()
compare({ better: 'higher', before: [large(), large(), large()], after: [large(), large()] })
const spent = performance.now() - begun

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
      what: `pairs without a true change that are called a gain or a loss, of ${PAIRS} each: 1, 2, 3 sessions of 5 runs; runs as alike as 0.9`,
      measured: `${[1, 2, 3].map((count) => `${called(count, 5, 0).toFixed(1)} %`).join(', ')}; ${[1, 2, 3].map((count) => `${called(count, 5, 0.9).toFixed(1)} %`).join(', ')}`,
      aim: 'at most 6 %',
    },
    {
      what: '5 % more, 2 sessions of 5 runs a side: called a gain',
      measured: `${called(2, 5, 0, Math.log(1.05)).toFixed(0)} %`,
      aim: 'at least 85 %',
    },
    {
      what: 'no change, three sessions before and three after, faster by 1 % each: called one',
      measured: `${calledDrifting(0).toFixed(0)} %`,
      aim: 'at most 20 %',
    },
    {
      what: 'comparing 5 sessions of 1,000 runs',
      measured: `${spent.toFixed(1)} ms`,
      aim: 'under 50 ms',
    },
  ]),
)
