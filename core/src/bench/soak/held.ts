import { TEST_PASS } from '../../things/knowledge'
import type { SoakPlan } from './soakPlan'

/** A test as it was logged. */
export interface SoakRun {
  passes: number
  errors: number
  hours: number
  /** At working temperature; left out where nobody said. */
  warm?: boolean | undefined
  /** GiB that the test reached; left out or null where nobody said. */
  reachedGiB?: number | null | undefined
}

export interface CountedPasses {
  /** Passes that so much memory allows in the hours noted. */
  passes: number
  /** Those of them made warm. */
  warm: number
  /** Passes noted that cannot have been made in their time. */
  tooMany: number
  /** Passes that left out some of the memory. */
  partly: number
}

/** Firmware and system keep so much of the memory from a test, GiB, or this share of it. */
const KEPT = { gib: 0.5, share: 0.03 }

/** Whether a test reached all the memory it could; true where nobody noted how much it reached. */
export const reachedAll = ({ reachedGiB }: Pick<SoakRun, 'reachedGiB'>, gib: number): boolean =>
  reachedGiB == null || reachedGiB >= gib - Math.max(KEPT.gib, KEPT.share * gib)

/**
 * The passes that count: whole ones over all the memory, and no more than capacity and time allow. Three minutes do
 * not test 64 GB.
 * `gib` is what is tested, hours are those of each run.
 */
export function countedPasses(runs: readonly SoakRun[], gib: number): CountedPasses {
  const least = TEST_PASS.value.fastest * gib
  const counted = { passes: 0, warm: 0, tooMany: 0, partly: 0 }
  for (const run of runs) {
    const { passes, hours, warm } = run
    if (!reachedAll(run, gib)) {
      counted.partly += passes
      continue
    }
    const possible = least > 0 ? Math.min(passes, Math.floor((hours * 60) / least)) : passes
    counted.passes += possible
    if (warm) counted.warm += possible
    counted.tooMany += passes - possible
  }
  return counted
}

/** Whether a plan held: its passes were made, warm where it says so, and none gave an error. */
export function heldBy({ passes, warm }: SoakPlan, runs: readonly SoakRun[], gib: number): boolean {
  const counted = countedPasses(runs, gib)
  return (
    runs.every(({ errors }) => errors === 0) && (warm ? counted.warm : counted.passes) >= passes
  )
}
