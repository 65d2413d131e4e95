import type { Disk, Evaluation, Organisation } from '../../things/model'
import { type Forecast, forecast, type MemoryState, type ShopResult } from '../forecast'
import {
  type Demand,
  demand,
  logsTogether,
  measuredUses,
  pagingShareOf,
  type UseLog,
} from './demand'
import type { CardUse, LogSummary } from './memoryLog'

import {
  type ChosenUse,
  demandOfUses,
  forecastUses,
  growthOver,
  type UseDemand,
  type UseTable,
} from './uses'

/** What a job says of its need. */
export interface NeedSaid {
  uses: readonly ChosenUse[]
  /** Null where nobody knows. */
  integratedGraphics: boolean | null
  /** Graphics memory that is set, GiB; left out or null where the table decides. */
  graphicsGiB?: number | null | undefined
  disk: Disk
  log: LogSummary | null
  /** Logs of single uses. */
  useLogs?: readonly UseLog[]
  years: number | null
  /** The usable memory that must be available, GiB; null where the calculation decides. */
  wantedGiB: number | null
}

export interface JudgedNeed {
  uses: UseDemand | null
  demand: Demand | null
  /** The usable memory to plan for, GiB: as wanted, else what is likely, else what there is. */
  minGiB: number
}

/** How a graphics card of its own fared, by each log; graphics in the processor are no card. */
export const cardsIn = ({
  integratedGraphics,
  log,
  useLogs = [],
}: Pick<NeedSaid, 'integratedGraphics' | 'log' | 'useLogs'>): (CardUse | null | undefined)[] =>
  integratedGraphics === true ? [] : [log, ...useLogs].map((one) => one?.card)

/** All logs of a job as one; null where there is none. Uses that no log is of count by the table. */
export function logOfJob(table: UseTable, said: NeedSaid): LogSummary | null {
  const { uses, log, useLogs = [], integratedGraphics } = said
  const uncovered = uses.filter(({ use }) => !useLogs.some((one) => one.use === use))
  const { now } = demandOfUses(table, uncovered, integratedGraphics ?? false)
  return logsTogether(log, useLogs, uncovered.length > 0 ? now.likely : 0)
}

/** What is needed, from what was said and measured; `usableGiB` is what the machine has now. */
export function judgeNeed(table: UseTable, said: NeedSaid, usableGiB: number): JudgedNeed {
  const { uses: chosen, integratedGraphics, years, wantedGiB } = said
  const log = logOfJob(table, said)
  const growth = growthOver(table, years)
  const uses =
    chosen.length > 0
      ? demandOfUses(
          table,
          chosen,
          integratedGraphics ?? false,
          growth,
          said.graphicsGiB ?? table.graphicsGiB,
        )
      : null
  const wanted = demand(uses, log, table.reserveGiB, growth)
  const likely = wanted && Math.round(wanted.likely * 10) / 10
  return { uses, demand: wanted, minGiB: wantedGiB ?? likely ?? usableGiB }
}

/**
 * Makes forecasts of changes from what was found: how many times as fast this customer's work becomes.
 * Null where the machine does not run before or after, or nobody has said what it is used for. A disk
 * nobody knows is taken for a solid-state one: it loses least to paging. Changes to the same memory are worked out
 * once. How modules are organised counts where it is known of what was found and of what is planned.
 */
export function forecaster(
  table: UseTable,
  said: NeedSaid,
  before: Evaluation,
  results: readonly ShopResult[] = [],
  found?: Organisation,
): (after: Evaluation, organisation?: Organisation) => Forecast | null {
  const { integratedGraphics, disk, useLogs = [] } = said
  const log = logOfJob(table, said)
  const ownLog = (use: string) => useLogs.find((one) => one.use === use) ?? null
  const uses = forecastUses(table, said.uses, integratedGraphics ?? false, ownLog).flatMap((one) =>
    measuredUses([one], ownLog(one.use) ?? said.log),
  )
  const most = Math.max(0, ...uses.map(({ need }) => need?.likely ?? 0))
  const from = memoryState(before, most)
  const known = new Map<string, Forecast>()
  return (evaluation, planned) => {
    const to = memoryState(evaluation, most)
    if (!from || !to || uses.length === 0) return null
    // Known on one side only, it would be taken for a change.
    const organised = found && planned ? { found, planned } : null
    const key = [
      to.peakGBs,
      to.firstWordNs,
      to.usableGiB,
      organised?.planned.halfGroups,
      organised?.planned.twoRanks,
    ].join(' ')
    const before = known.get(key)
    if (before) return before
    const made = forecast({
      uses,
      before: { ...from, organisation: organised?.found },
      after: { ...to, organisation: organised?.planned },
      disk: disk === 'spinning' ? 'spinning' : 'solid-state',
      log: { pagingShare: pagingShareOf(log) },
      results,
    })
    known.set(key, made)
    return made
  }
}

/** A machine's memory as a forecast sees it: the widest zone where all that is needed (GiB) lies in it, else the whole. */
export function memoryState(
  { run, capacity, zones }: Evaluation,
  needGiB: number,
): MemoryState | null {
  const [first] = zones
  if (!run || !first || capacity.usableGiB <= 0) return null
  const within = needGiB > 0 && needGiB <= first.gib
  return {
    peakGBs: within ? first.peakGBs : run.wholePeakGBs,
    firstWordNs: run.firstWordNs,
    usableGiB: capacity.usableGiB,
  }
}
