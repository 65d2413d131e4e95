import { TIGHT } from '../../things/knowledge'
import { known } from '../../things/model'
import { columnNumbers, type Table } from '../../things/tables'

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
  /** File cache that the figure in use holds: it can be given up, so it is taken off. */
  cache?: string | null
  /** The graphics card's own memory in use. */
  graphics?: string | null
  graphicsUnit?: LogUnit
  /** How busy the graphics card is, in per cent. */
  load?: string | null
}

export interface MemorySample {
  /** Since the first sample; null where the log has no times. */
  seconds: number | null
  gib: number
  /** Hard faults a second; left out where they were not logged. */
  faults?: number | null
  /** Of the graphics card: its own memory in use, GiB, and its load from 0 to 1; null where it is not said. */
  graphicsGiB?: number | null
  load?: number | null
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

/**
 * The samples of a log of memory in use, or free. Per cent are of `installedGiB`, of the graphics card’s memory of
 * `cardGiB`.
 */
export function readMemoryLog(
  table: Table,
  columns: LogColumns,
  installedGiB: number,
  cardGiB = 0,
): MemoryLog {
  const { time, used, unit, free = false, faults = null } = columns
  const column = (heading: string | null) => {
    const at = heading === null ? -1 : table.headings.indexOf(heading)
    return at < 0 ? null : table.rows.map(({ cells }) => cells[at] ?? '')
  }
  const amounts = columnNumbers(column(used) ?? [])
  const times = timesIn(column(time))
  const paged = column(faults)
  const pages = paged && columnNumbers(paged)
  const figures = (heading: string | null | undefined) => {
    const cells = column(heading ?? null)
    return cells && columnNumbers(cells)
  }
  const [cached, card, loads] = [columns.cache, columns.graphics, columns.load].map(figures)
  const perOf = (one: LogUnit, whole: number) => (one === 'percent' ? 100 / whole : PER_GIB[one])
  const per = perOf(unit, installedGiB)
  const perCard = perOf(columns.graphicsUnit ?? unit, cardGiB)
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
      gib: Math.max(
        0,
        (free ? installedGiB - amount / per : amount / per) - (cached?.[at] ?? 0) / per,
      ),
      ...(pages ? { faults: pages[at] ?? null } : {}),
      ...(card ? { graphicsGiB: inGiB(card[at], perCard) } : {}),
      ...(loads ? { load: inGiB(loads[at], 100) } : {}),
    })
  })
  return { samples, badLines }
}

const inGiB = (figure: number | null | undefined, per: number): number | null =>
  figure === null || figure === undefined ? null : figure / per

/** Times in seconds; null for a cell that is none, undefined where there is no such column or nothing in it is one. */
export function timesIn(cells: readonly string[] | null): (number | null)[] | undefined {
  if (!cells) return undefined
  if (cells.every((cell) => /^-?[\d.,]*$/.test(cell) && !DAY.test(cell)))
    return columnNumbers(cells)
  const times = cells.map(momentIn)
  return times.every((one) => one === null) ? undefined : times
}

const CLOCK = /(\d{1,2}):(\d{2})(?::(\d{2}(?:[.,]\d+)?))?/
/** A day first and a year last, as `31.01.2030`. */
const DAY = /^(\d{1,2})\.(\d{1,2})\.(\d{4})/

/** A time of day, a day first or any moment as computers write it, in seconds. */
function momentIn(cell: string): number | null {
  const day = DAY.exec(cell)
  const clock = CLOCK.exec(cell)
  const [hours, minutes, seconds] = (clock ?? [])
    .slice(1)
    .map((one = '0') => Number(one.replace(',', '.')))
  const ofDay = clock ? ((hours ?? 0) * 60 + (minutes ?? 0)) * 60 + (seconds ?? 0) : 0
  if (day) return Date.UTC(Number(day[3]), Number(day[2]) - 1, Number(day[1])) / 1000 + ofDay
  const moment = Date.parse(cell)
  if (!Number.isNaN(moment)) return moment / 1000
  return clock && clock[0] === cell.trim() ? ofDay : null
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
  /** How the graphics card fared, where that was logged. */
  card?: CardUse | null
}

/** Shares of the time, from 0 to 1; null where the column was not logged. */
export interface CardUse {
  /** With its own memory as good as full. */
  full: number | null
  /** At full load: it is the card that is waited for. */
  busy: number | null
  /** With the card waiting for what the processor and its memory bring. */
  waits: number | null
}

export const CARD = known(
  { full: 0.95, busy: 0.95, waits: 0.8 },
  'A card at full load limits the pictures; one well below it waits for the processor. One whose own memory is full keeps the rest in the main memory, many times as slow: more main memory does not help that.',
)

export const PAGES = known(
  { faultsPerSecond: 200, lost: 0.5 },
  'Some hard faults come with every program that loads; this many a second mean that memory is short. While that goes on about half the time is lost: what is in memory still runs.',
)

/** A peak at this share of what is fitted says only “at least so much”: the system pages from there on. */
export const CUT_OFF = TIGHT.value

/** Summary of a log, with a graphics card of `cardGiB`; null without samples. */
export function summarise(
  samples: readonly MemorySample[],
  installedGiB: number,
  cardGiB: number | null = null,
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
  const card = { full: 0, busy: 0, waits: 0, memory: 0, load: 0 }
  samples.forEach(({ gib, seconds, faults }, at) => {
    const next = samples[at + 1]?.seconds
    // A sample holds until the next; the last one for no time.
    const lasts = timed ? Math.max(0, (next ?? seconds ?? 0) - (seconds ?? 0)) : 1
    whole += lasts
    const { graphicsGiB = null, load = null } = samples[at] as MemorySample
    if (graphicsGiB !== null) {
      card.memory += lasts
      if (cardGiB !== null && graphicsGiB >= CARD.value.full * cardGiB) card.full += lasts
    }
    if (load !== null) {
      card.load += lasts
      if (load >= CARD.value.busy) card.busy += lasts
      if (load < CARD.value.waits) card.waits += lasts
    }
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
    ...(card.memory > 0 || card.load > 0
      ? {
          card: {
            full: cardGiB !== null && card.memory > 0 ? card.full / card.memory : null,
            busy: card.load > 0 ? card.busy / card.load : null,
            waits: card.load > 0 ? card.waits / card.load : null,
          },
        }
      : {}),
  }
}
