import { TEST_PASS } from '../../things/knowledge'
import type { SoakPlan } from './soakPlan'

/** A test as it was logged. */
export interface SoakRun {
  passes: number
  errors: number
  hours: number
  /** At working temperature; left out where nobody said. */
  warm?: boolean | undefined
}

export interface CountedPasses {
  /** Passes that so much memory allows in the hours noted. */
  passes: number
  /** Those of them made warm. */
  warm: number
  /** Passes noted that cannot have been made in their time. */
  tooMany: number
}

/**
 * The passes that count: whole ones, and no more than capacity and time allow. Three minutes do not test 64 GB.
 * `gib` is what is tested, hours are those of each run.
 */
export function countedPasses(runs: readonly SoakRun[], gib: number): CountedPasses {
  const least = TEST_PASS.value.fastest * gib
  const counted = { passes: 0, warm: 0, tooMany: 0 }
  for (const { passes, hours, warm } of runs) {
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
