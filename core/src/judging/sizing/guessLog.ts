import { columnNumbers, type Table } from '../../things/tables'
import type { LogColumns, LogUnit } from './memoryLog'

const TIME = /time|date|clock|when|stamp|second/i
const USED = /used|in use|memory|working|commit|ram/i
const FAULTS = /fault|pages? in|page.?ins|swap.?in|\bsi\b|hard/i
const AVAILABLE = /avail|free/i
const CARD = /gpu|graphics|video|vram/i
const LOAD = /load|util|usage|busy|%/i
const CACHE = /cach|standby|buffer/i
const COMMITTED = /commit/i
const FREE = /free|avail|cach|total/i

/** Units as headings write them, the more particular first. */
const UNITS: [LogUnit, RegExp][] = [
  ['percent', /%|percent|per cent/i],
  ['kB', /\bki?b\b|\(k\)/i],
  ['MB', /\bmi?b\b|mega|\(m\)/i],
  ['GB', /\bgi?b\b|giga|\(g\)/i],
  ['bytes', /byte/i],
]

/** Which columns of a log most likely hold the time and the memory in use, and in what unit. */
export function guessLogColumns({ headings, rows }: Table): LogColumns {
  const time = headings.find((one) => TIME.test(one)) ?? null
  const faults = headings.find((one) => one !== time && FAULTS.test(one)) ?? null
  const graphics = headings.find((one) => one !== time && CARD.test(one) && USED.test(one)) ?? null
  const load = headings.find((one) => one !== time && CARD.test(one) && LOAD.test(one)) ?? null
  const cache =
    headings.find((one) => one !== time && CACHE.test(one) && !AVAILABLE.test(one)) ?? null
  const others = headings.filter(
    (one) => one !== time && one !== faults && one !== cache && !CARD.test(one),
  )
  // What is committed may exceed what is fitted: it is taken where nothing else tells.
  const free = others.find((one) => AVAILABLE.test(one))
  const used =
    others.find((one) => USED.test(one) && !FREE.test(one) && !COMMITTED.test(one)) ??
    free ??
    others.find((one) => USED.test(one)) ??
    others[0] ??
    (headings[0] as string)
  const at = headings.indexOf(used)
  const unitOf = (heading: string) =>
    UNITS.find(([, words]) => words.test(heading))?.[0] ??
    byMagnitude(rows.map(({ cells }) => cells[headings.indexOf(heading)] ?? ''))
  const unit = unitOf(headings[at] as string)
  const isFree = used === free
  return {
    time,
    used,
    unit,
    ...(isFree ? { free: true } : {}),
    ...(faults ? { faults } : {}),
    // A figure of free memory leaves the cache out already.
    ...(cache && !isFree ? { cache } : {}),
    ...(graphics ? { graphics, graphicsUnit: unitOf(graphics) } : {}),
    ...(load && load !== graphics ? { load } : {}),
  }
}

/** Memory in use lies between half a GiB and some hundreds: the unit is the one that makes it so. */
function byMagnitude(cells: readonly string[]): LogUnit {
  const largest = Math.max(0, ...columnNumbers(cells).map((one) => one ?? 0))
  if (largest > 100_000_000) return 'bytes'
  if (largest > 400_000) return 'kB'
  return largest > 400 ? 'MB' : 'GB'
}
