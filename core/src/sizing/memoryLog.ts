import { TIGHT } from '../knowledge'
import { known } from '../model'
import { columnNumbers, type Table } from '../tables'

export const LOG_UNITS = ['bytes', 'kB', 'MB', 'GB', 'percent'] as const
export type LogUnit = (typeof LOG_UNITS)[number]

/** Which columns of a log hold what; times are seconds, or moments as computers write them. */
export interface LogColumns {
  time: string | null
  used: string
  unit: LogUnit
  /** That column holds what is free: what is in use is what is fitted less it. */
  free?: boolean
  /** Hard faults or pages read back, a second; null or left out where the log has none. */
  faults?: string | null
}

export interface MemorySample {
  /** Since the first sample; null where the log has no times. */
  seconds: number | null
  gib: number
  /** Hard faults a second; left out where they were not logged. */
  faults?: number | null
}

export interface MemoryLog {
  samples: MemorySample[]
  /** Lines (of the file) that could not be read. */
  badLines: number[]
}

const PER_GIB: Record<Exclude<LogUnit, 'percent'>, number> = {
  bytes: 1024 ** 3,
  kB: 1024 ** 2,
  MB: 1024,
  GB: 1,
}

/** The samples of a log of memory in use, or free. Per cent are of `installedGiB`. */
export function readMemoryLog(
  table: Table,
  { time, used, unit, free = false, faults = null }: LogColumns,
  installedGiB: number,
): MemoryLog {
  const column = (heading: string | null) => {
    const at = heading === null ? -1 : table.headings.indexOf(heading)
    return at < 0 ? null : table.rows.map(({ cells }) => cells[at] ?? '')
  }
  const amounts = columnNumbers(column(used) ?? [])
  const times = timesIn(column(time))
  const paged = column(faults)
  const pages = paged && columnNumbers(paged)
  const per = unit === 'percent' ? 100 / installedGiB : PER_GIB[unit]
  const samples: MemorySample[] = []
  const badLines: number[] = []
  let first: number | null = null
  table.rows.forEach(({ line }, at) => {
    const amount = amounts[at]
    const moment = times?.[at]
    if (amount === null || amount === undefined || amount < 0 || moment === null) {
      badLines.push(line)
      return
    }
    if (moment !== undefined) first ??= moment
    samples.push({
      seconds: moment === undefined ? null : moment - (first as number),
      gib: free ? Math.max(0, installedGiB - amount / per) : amount / per,
      ...(pages ? { faults: pages[at] ?? null } : {}),
    })
  })
  return { samples, badLines }
}

/** Times in seconds; null for a cell that is none, undefined where there is no such column. */
function timesIn(cells: readonly string[] | null): (number | null)[] | undefined {
  if (!cells) return undefined
  if (cells.every((cell) => /^-?[\d.,]*$/.test(cell))) return columnNumbers(cells)
  return cells.map((cell) => {
    const moment = Date.parse(cell)
    return Number.isNaN(moment) ? null : moment / 1000
  })
}

export interface LogSummary {
  count: number
  /** How long the log runs; null where it has no times. */
  spanSeconds: number | null
  peakGiB: number
  /** What 99 % of the samples stay within (nearest rank). */
  p99GiB: number
  /** The share of the time, from 0 to 1, with more than 90 % of what is fitted in use. */
  tightShare: number
  /** The peak came so near to what is fitted that the demand was cut off: it is a lower bound. */
  cutOff: boolean
  /** The share of the time that was lost to paging, from 0 to 1; null where it was not logged. */
  pagingShare: number | null
}

export const PAGES = known(
  { faultsPerSecond: 200, lost: 0.5 },
  'Some hard faults come with every program that loads; this many a second mean that memory is short. While that goes on about half the time is lost: what is in memory still runs.',
)

/** A peak at this share of what is fitted says only “at least so much”: the system pages from there on. */
export const CUT_OFF = TIGHT.value

/** What a log says of the demand; null where it has no sample. */
export function summarise(
  samples: readonly MemorySample[],
  installedGiB: number,
): LogSummary | null {
  if (samples.length === 0) return null
  const sorted = samples.map(({ gib }) => gib).sort((a, b) => a - b)
  const peakGiB = sorted.at(-1) as number
  const last = samples.at(-1)?.seconds ?? null
  const timed = last !== null && last > 0
  let tight = 0
  let paging = 0
  let logged = false
  let whole = 0
  samples.forEach(({ gib, seconds, faults }, at) => {
    const next = samples[at + 1]?.seconds
    // A sample holds until the next; the last one for no time.
    const lasts = timed ? Math.max(0, (next ?? seconds ?? 0) - (seconds ?? 0)) : 1
    whole += lasts
    if (gib > TIGHT.value * installedGiB) tight += lasts
    if (faults === undefined || faults === null) return
    logged = true
    if (faults >= PAGES.value.faultsPerSecond) paging += lasts
  })
  return {
    count: samples.length,
    spanSeconds: timed ? last : null,
    peakGiB,
    p99GiB: sorted[Math.max(0, Math.ceil(sorted.length * 0.99) - 1)] as number,
    tightShare: whole > 0 ? tight / whole : 0,
    cutOff: peakGiB >= CUT_OFF * installedGiB,
    pagingShare: logged && whole > 0 ? (paging / whole) * PAGES.value.lost : null,
  }
}
