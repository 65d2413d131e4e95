import { columnNumbers, type Table } from '../../things/tables'
import { type LogColumns, type LogUnit, timesIn } from './memoryLog'

const TIME =
  /time|date|elapsed|clock(?! ?\[?mhz)|when|stamp|second|zeit|datum|heure|hora\b|\bora\b|czas|tijd|^\(pdh/i
/** Headings about memory, or anything else, that are no amount of memory. */
const NO_AMOUNT =
  /clock|temp|°|volt|\bv\b|mhz|ghz|power|watt|\[w\]|bandwidth|speed|frequen|latency|\bfan\b|timing|faults?|\/s(?:ec)?\b/i
const OTHER_MEMORY = /virtual|virtuell|virtuel|swap|page ?file|auslagerung|pagin|non-?paged|pool/i
const MEMORY = /mem|\bram\b|physical|speicher|memoire|memoria|pamiec|geheugen|minne/i
const IN_USE =
  /used|in use|usage|belegt|verwendet|benutzt|genutzt|utilis|usad|en uso|in uso|utilizz|uzyw|zajet|gebruik|anvant/i
const WORKING = /working|commit/i
const FAULTS = /fault|pages? in|page.?ins|swap.?in|\bsi\b|hard/i
const AVAILABLE = /avail|free|verfugbar|\bfrei|disponib|\blibre|dostepn|\bwoln|beschikbaar|\bvrij/i
/** Memory nothing is in, as against memory that could be had: it leaves out a cache. */
const FREE = /free|frei|libre|woln|vrij/i
const CARD = /gpu|graphics|video|vram|grafik/i
const LOAD = /load|util|usage|busy|%/i
const CACHE = /cach|standby|buffer/i
const COMMITTED = /commit|zugesichert/i
const TOTAL = /total|install|gesamt/i

/** Units as headings write them, the more particular first. */
const UNITS: [LogUnit, RegExp][] = [
  ['percent', /%|percent|per cent|prozent/i],
  ['kB', /\bk(?:i?b|o|bytes?)\b|\(k\)|kilobyte/i],
  ['MB', /\bm(?:i?b|o|bytes?)\b|mega|\(m\)/i],
  ['GB', /\bg(?:i?b|o|bytes?)\b|giga|\(g\)/i],
  ['bytes', /byte|octet/i],
]

/** A heading as words: of a counter's path its last part, without accents, underscores as blanks. */
function wordsOf(heading: string): string {
  const path = heading.split('\\').filter((part) => part !== '')
  const last = path.length > 1 ? (path.at(-1) as string) : heading
  return last
    .normalize('NFD')
    .replace(/\p{M}+/gu, '')
    .replaceAll('_', ' ')
}

/** Which columns of a log most likely hold the time and the memory in use, and in what unit. */
export function guessLogColumns({ headings, rows }: Table): LogColumns {
  const words = new Map(headings.map((one) => [one, wordsOf(one)]))
  const has = (heading: string, pattern: RegExp) => pattern.test(words.get(heading) as string)
  const cellsOf = (heading: string) =>
    rows.map(({ cells }) => cells[headings.indexOf(heading)] ?? '')
  const timed = headings.filter((one) => has(one, TIME))
  // A date that stays the same tells nothing; the time of day beside it does.
  const time = timed.find((one) => rises(cellsOf(one))) ?? timed[0] ?? null
  const left = headings.filter((one) => !timed.includes(one))
  const faults = left.find((one) => has(one, FAULTS)) ?? null
  const ofCard = left.filter((one) => has(one, CARD))
  const graphics =
    ofCard.find((one) => has(one, /mem|ram/i) && !has(one, NO_AMOUNT) && !has(one, /%/)) ?? null
  const load = ofCard.find((one) => has(one, LOAD) && one !== graphics) ?? null
  const cache = left.find((one) => has(one, CACHE) && !has(one, AVAILABLE)) ?? null
  const others = left.filter((one) => one !== faults && one !== cache && !has(one, CARD))
  const amounts = others.filter((one) => !has(one, NO_AMOUNT) && !has(one, OTHER_MEMORY))
  const free =
    amounts.find((one) => has(one, AVAILABLE) && !has(one, FREE)) ??
    amounts.find((one) => has(one, AVAILABLE))
  const plain = amounts.filter(
    (one) => !has(one, AVAILABLE) && !has(one, COMMITTED) && !has(one, TOTAL),
  )
  // Committed memory may exceed fitted memory: used only where no other column tells.
  const used =
    plain.find((one) => has(one, MEMORY) && has(one, IN_USE)) ??
    plain.find((one) => has(one, IN_USE) && !has(one, /cpu|disk|processor/i)) ??
    plain.find((one) => has(one, MEMORY)) ??
    free ??
    plain.find((one) => has(one, WORKING)) ??
    amounts.find((one) => has(one, COMMITTED)) ??
    amounts[0] ??
    others[0] ??
    (headings[0] as string)
  const unitOf = (heading: string) =>
    UNITS.find(([, pattern]) => has(heading, pattern))?.[0] ?? byMagnitude(cellsOf(heading))
  const isFree = used === free
  const total = amounts.find((one) => has(one, TOTAL))
  const plainFree = amounts.find((one) => has(one, FREE))
  const first = (heading: string | null | undefined) =>
    heading ? (columnNumbers(cellsOf(heading))[0] ?? null) : null
  // Where memory in use, free memory and cache add up to the total, the cache is not in use.
  const isApart = addUp([used, plainFree, cache].map(first), first(total))
  return {
    time,
    used,
    unit: unitOf(used),
    ...(isFree ? { free: true } : {}),
    ...(faults ? { faults } : {}),
    // A figure of free memory leaves the cache out already.
    ...(cache && !isFree && !isApart ? { cache } : {}),
    ...(graphics ? { graphics, graphicsUnit: unitOf(graphics) } : {}),
    ...(load ? { load } : {}),
  }
}

/** Whether figures, all known, add up to a total within 2 %. */
function addUp(parts: readonly (number | null)[], total: number | null): boolean {
  if (total === null) return false
  let sum = 0
  for (const part of parts) {
    if (part === null) return false
    sum += part
  }
  return Math.abs(sum - total) < total * 0.02
}

const rises = (cells: readonly string[]): boolean => {
  const times = timesIn(cells) ?? []
  const [first, last] = [times[0], times.at(-1)]
  return (
    typeof first === 'number' && typeof last === 'number' && (cells.length === 1 || last > first)
  )
}

/** Memory in use lies between half a GiB and some hundreds: the unit is the one that makes it so. */
function byMagnitude(cells: readonly string[]): LogUnit {
  const largest = Math.max(0, ...columnNumbers(cells).map((one) => one ?? 0))
  if (largest > 100_000_000) return 'bytes'
  if (largest > 400_000) return 'kB'
  return largest > 400 ? 'MB' : 'GB'
}
