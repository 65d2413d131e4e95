import {
  type Bound,
  boundByAnswers,
  ChosenUse,
  known,
  LEVELS,
  Level,
  Use,
  UseTable,
  type Work,
} from '../../things/model'
import type { ForecastUse } from '../forecast'

import type { LogSummary } from './memoryLog'

export { ChosenUse, LEVELS, Level, Use, UseTable }

/** The table a shop starts with; every figure is the shop's to change. */
const TABLE: UseTable = {
  systemGiB: 4.5,
  reserveGiB: 1.5,
  graphicsGiB: 1,
  growthPercent: 5,
  uses: [
    { id: 'office', name: 'Letters and tables', light: 1, usual: 1.5, heavy: 4, work: 'office' },
    { id: 'browsing', name: 'Browsing', light: 1, usual: 3, heavy: 8, work: 'browsing' },
    { id: 'calls', name: 'Video calls', light: 0.5, usual: 1, heavy: 2, work: 'browsing' },
    { id: 'photos', name: 'Photos', light: 2, usual: 6, heavy: 16, work: 'photos' },
    { id: 'video', name: 'Video cutting', light: 4, usual: 12, heavy: 32, work: 'video' },
    {
      id: 'audio',
      name: 'Recording and sample libraries',
      light: 2,
      usual: 8,
      heavy: 40,
      work: 'audio',
    },
    { id: 'games', name: 'Games', light: 4, usual: 8, heavy: 16, work: 'games' },
    {
      id: 'drawing',
      name: 'Drawing in three dimensions',
      light: 4,
      usual: 12,
      heavy: 48,
      work: 'rendering',
    },
    {
      id: 'machines',
      name: 'Virtual machines',
      light: 4,
      usual: 12,
      heavy: 48,
      work: 'virtual-machines',
    },
    { id: 'compiling', name: 'Compiling', light: 2, usual: 6, heavy: 24, work: 'compiling' },
    {
      id: 'models',
      name: 'Language or picture models at home',
      light: 8,
      usual: 16,
      heavy: 48,
      work: 'models',
    },
  ],
}

export const USES = known(
  TABLE,
  'Rules of thumb of the trade: the system’s share is what a current one takes with nothing open, a use’s is what it adds, a model’s its own size. On 8 GB even light office work is tight.',
  '2026-11',
)
export const STARTING_USES = USES.value

/** What the same work wants more at the end of so many years, as a share of today's. */
export const growthOver = ({ growthPercent }: UseTable, years: number | null): number =>
  (1 + growthPercent / 100) ** (years ?? 0) - 1

/** An amount with its range, GiB. */
export interface GiBRange {
  low: number
  likely: number
  high: number
}

export interface UseDemand extends GiBRange {
  /** The same without the reserve and what the years add: what is needed today. */
  now: GiBRange
  /** What it is made of: the system, the reserve, graphics, and the uses of the largest set that runs at once. */
  parts: {
    what: 'system' | 'reserve' | 'graphics' | 'use' | 'growth'
    use: string | null
    gib: number
  }[]
}

/**
 * What a mix of uses wants: the system, the largest set of uses that run at once, integrated graphics
 * and the reserve. The range goes half-way to the next lighter and heavier level of each use, a
 * quarter of it beyond the ends. `growth` is what system and uses want more by the end of the years the
 * machine must serve: it moves what is likely and the upper end, not today's least. Uses the table does
 * not have are left out; so is anything of weight 0.
 */
export function demandOfUses(
  table: UseTable,
  chosen: readonly ChosenUse[],
  integratedGraphics: boolean,
  growth = 0,
  graphicsGiB = table.graphicsGiB,
): UseDemand {
  const meant = chosen.flatMap((one) => {
    const use = table.uses.find(({ id }) => id === one.use)
    return use && one.weight > 0 ? [{ ...one, range: rangeOf(use, one) }] : []
  })
  const sets = new Map<string, typeof meant>()
  meant.forEach((one, at) => {
    const key = one.together === null ? `alone ${at}` : `with ${one.together}`
    sets.set(key, [...(sets.get(key) ?? []), one])
  })
  const sum = (set: typeof meant, end: keyof GiBRange) =>
    set.reduce((all, { range }) => all + range[end], 0)
  const largest = [...sets.values()].reduce<typeof meant>(
    (most, set) => (sum(set, 'likely') > sum(most, 'likely') ? set : most),
    [],
  )
  const most = (end: keyof GiBRange) =>
    Math.max(0, ...[...sets.values()].map((set) => sum(set, end)))
  const graphics = integratedGraphics ? graphicsGiB : 0
  const base = table.systemGiB + table.reserveGiB + graphics
  const grown = (end: keyof GiBRange) => (table.systemGiB + most(end)) * growth
  const today = (end: keyof GiBRange) => table.systemGiB + graphics + most(end)
  return {
    now: { low: today('low'), likely: today('likely'), high: today('high') },
    low: base + most('low'),
    likely: base + most('likely') + grown('likely'),
    high: base + most('high') + grown('high'),
    parts: [
      { what: 'system', use: null, gib: table.systemGiB },
      ...largest.map(({ use, range }) => ({ what: 'use' as const, use, gib: range.likely })),
      ...(graphics > 0 ? [{ what: 'graphics' as const, use: null, gib: graphics }] : []),
      ...(growth > 0 ? [{ what: 'growth' as const, use: null, gib: grown('likely') }] : []),
      { what: 'reserve', use: null, gib: table.reserveGiB },
    ],
  }
}

/** The kind of work a use is; what integrated graphics draw is bound by the main memory. */
export function workOf(use: Use, integratedGraphics: boolean): Work {
  const drawn = use.work.startsWith('games') || use.work === 'rendering'
  return integratedGraphics && drawn ? 'integrated-graphics' : use.work
}

/**
 * The limit of a game: by the technician, else by its log, else by the customer's answers, else by the table; null
 * where unknown.
 */
export const boundOf = (
  chosen: Pick<ChosenUse, 'bound' | 'game'>,
  row: Pick<Use, 'bound'> | undefined,
  log: Pick<LogSummary, 'card'> | null = null,
): Bound | null =>
  chosen.bound ??
  boundByLog(log) ??
  (chosen.game && boundByAnswers(chosen.game)) ??
  row?.bound ??
  null

/** Half of the time at full load, or waiting, tells. */
const MOSTLY = 0.5

function boundByLog(log: Pick<LogSummary, 'card'> | null): Bound | null {
  const { busy = null, waits = null } = log?.card ?? {}
  if (busy !== null && busy >= MOSTLY) return 'card'
  return waits !== null && waits >= MOSTLY ? 'processor' : null
}

/**
 * What each use needs while it runs: the system, integrated graphics, and everything that runs with it,
 * GiB. No reserve: that is for later, and does not page. Uses the table does not have are left out.
 */
export function forecastUses(
  table: UseTable,
  chosen: readonly ChosenUse[],
  integratedGraphics: boolean,
  logOf: (use: string) => LogSummary | null = () => null,
): (ForecastUse & { use: string })[] {
  const meant = chosen.flatMap((one) => {
    const use = table.uses.find(({ id }) => id === one.use)
    return use && one.weight > 0 ? [{ ...one, row: use, range: rangeOf(use, one) }] : []
  })
  const base = table.systemGiB + (integratedGraphics ? table.graphicsGiB : 0)
  return meant.map((one) => {
    const beside = meant.filter(
      (other) => other === one || (one.together !== null && other.together === one.together),
    )
    const sum = (end: keyof GiBRange) => beside.reduce((all, { range }) => all + range[end], base)
    return {
      use: one.use,
      work: workOf(one.row, integratedGraphics),
      bound: boundOf(one, one.row, logOf(one.use)),
      weight: one.weight,
      need: { low: sum('low'), likely: sum('likely'), high: sum('high') },
    }
  })
}

/** A known peak is met within a tenth below and a seventh above: no two days are alike. */
const ROUND_PEAK = { low: 0.9, high: 1.15 }

/** Memory a use adds: its program's own peak if known, else by the table; at most the program's own limit. */
function rangeOf(use: Use, { level, peakGiB, limitGiB }: ChosenUse): GiBRange {
  const by = peakGiB
    ? { low: peakGiB * ROUND_PEAK.low, likely: peakGiB, high: peakGiB * ROUND_PEAK.high }
    : byTable(use, level)
  const most = limitGiB ?? Infinity
  return {
    low: Math.min(by.low, most),
    likely: Math.min(by.likely, most),
    high: Math.min(by.high, most),
  }
}

function byTable(use: Use, level: Level): GiBRange {
  const likely = use[level]
  const low = level === 'light' ? likely * 0.75 : (likely + use[lighter(level)]) / 2
  const high = level === 'heavy' ? likely * 1.25 : (likely + use[heavier(level)]) / 2
  return { low, likely, high }
}

const lighter = (level: Level): Level => (level === 'heavy' ? 'usual' : 'light')
const heavier = (level: Level): Level => (level === 'light' ? 'usual' : 'heavy')
