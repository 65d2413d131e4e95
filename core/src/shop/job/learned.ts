import {
  type Ceilings,
  type KeptRuns,
  NOTHING_LEARNED,
  type ShopScatter,
  scatterFrom,
  shopScatter,
  testedOf,
} from '../../bench/measure'
import type { ShopResult } from '../../judging/forecast'
import { judgeNeed, memoryState, type UseTable } from '../../judging/sizing'
import {
  type JobFile,
  type Learning,
  type MachineRecord,
  type Piece,
  type Plan,
  STARTING_LEARNING,
  settingsOf,
  type Verification,
} from '../../things/records'
import { machineInUse } from './machineInUse'
import { ceilingsShown } from './proof'
import { type Situation, situationOf } from './situation'

/** What the shop’s own measurements teach. */
export interface Learned {
  scatter: ShopScatter
  /** What changes of memory were measured to bring. */
  results: ShopResult[]
  ceilings: Ceilings
}

export const NOTHING_KNOWN: Learned = { scatter: NOTHING_LEARNED, results: [], ceilings: {} }

/** A job as far as it teaches something. */
export interface Taught extends Pick<JobFile, 'found' | 'sizing'> {
  machine: Pick<MachineRecord, 'machine' | 'sources'>
  plan: Pick<Plan, 'placement' | 'profile' | 'manual'>
  measurements: readonly (KeptRuns & { jobId: string; createdAt?: string })[]
  verification: Pick<Verification, 'seen'> | null
}

/** Learns from the jobs of a shop; `pieces` are the modules that their plans name. */
export function learnedFrom(
  jobs: readonly Taught[],
  pieces: ReadonlyMap<string, Piece>,
  table: UseTable,
  learning: Learning = STARTING_LEARNING,
): Learned {
  const scatter = shopScatter(jobs.flatMap(({ measurements }) => measurements))
  const results: ShopResult[] = []
  const ceilings: Record<string, number> = {}
  for (const job of jobs) {
    const { plan, found, verification } = job
    const machine = machineInUse(job.machine, found, pieces)
    const now = situationOf(machine, found, pieces, { profile: false })
    const planned = situationOf(machine, plan.placement ?? found, pieces, settingsOf(plan))
    if (plan.placement && isLearnedFrom(job, learning)) {
      results.push(...resultsOf(job, now, planned, table, scatter))
    }
    const file = {
      measurements: job.measurements,
      verifications: verification ? [verification] : [],
    }
    for (const [test, figure] of Object.entries(ceilingsShown({ file, now, planned }))) {
      ceilings[test] = Math.max(ceilings[test] ?? 0, figure)
    }
  }
  return { scatter, results: results.map((one) => ruled(one, learning)), ceilings }
}

/** Whether a job's results count: learning is on, and some session was measured or noted since the last reset. */
function isLearnedFrom({ measurements }: Taught, { on, since }: Learning): boolean {
  if (since === null) return on
  const reset = Date.parse(since)
  return on && measurements.some(({ at, createdAt }) => Date.parse(at ?? createdAt ?? '') >= reset)
}

const ruled = (result: ShopResult, { rulings }: Learning): ShopResult =>
  result.id === undefined ? result : { ...result, counts: rulings[result.id] }

/** An interval of 95 % is so many errors wide. */
const WIDTH = 2 * 1.96

/**
 * What a job’s measurements say of kinds of work: tests that stand for one, made before and after. Where
 * the memory grew and what was needed before did not fit, or nobody knows, paging may be part of it, and
 * nothing is taken from it.
 */
function resultsOf(
  { sizing, measurements }: Taught,
  now: Situation,
  planned: Situation,
  table: UseTable,
  scatter: ShopScatter,
): ShopResult[] {
  const [before, after] = [now.evaluation, planned.evaluation]
  const demand = judgeNeed(table, sizing, before.capacity.usableGiB).demand?.now.likely ?? null
  const mayPage =
    after.capacity.usableGiB > before.capacity.usableGiB &&
    (demand === null || demand > before.capacity.usableGiB)
  const [from, to] = [before, after].map((state) => memoryState(state, demand ?? 0))
  if (!from || !to || mayPage) return []
  const jobId = measurements[0]?.jobId
  return testedOf(measurements, scatterFrom(scatter)).flatMap(({ test, work, against, along }) => {
    const compared = against.after
    if (!work || !compared || compared.verdict === 'too-few' || along.before) return []
    const { ratio, low, high } = compared
    const sd = Math.log(high / low) / WIDTH
    const id = `${jobId} ${test}`
    return [{ work, before: from, after: to, ratio, sd, id, jobId }]
  })
}
