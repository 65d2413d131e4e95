import { differing, type TestConditions } from './conditions'
import { type LearnedScatter, learnedScatter } from './learnedScatter'
import { USUAL_SCATTER, usualScatter } from './scatter'
import type { KeptRuns, ScatterOf } from './tested'

/** What the shop's own repeated sessions scatter by: of all tests together, and test by test. */
export interface ShopScatter {
  all: LearnedScatter
  tests: Record<string, LearnedScatter>
}

export const NOTHING_LEARNED: ShopScatter = {
  all: { ...USUAL_SCATTER.value, sessions: 0 },
  tests: {},
}

type Kept = Pick<KeptRuns, 'test' | 'configuration' | 'conditions' | 'busy' | 'runs'> & {
  jobId: string
}

/**
 * Learned from sessions of the same test on the same machine in the same state and under the same
 * conditions. What a test has of its own is drawn towards what all tests together show, and that
 * towards what is usual.
 */
export function shopScatter(measurements: readonly Kept[]): ShopScatter {
  const groups = new Map<
    string,
    { test: string; conditions: TestConditions; sessions: number[][] }
  >()
  for (const { jobId, test, configuration, conditions, busy, runs } of measurements) {
    if (busy || runs.length < 2) continue
    const key = JSON.stringify([jobId, test, configuration])
    const group = groups.get(key) ?? { test, conditions, sessions: [] }
    if (differing(group.conditions, conditions).length > 0) continue
    group.sessions.push([...runs])
    groups.set(key, group)
  }
  const repeated = [...groups.values()].filter(({ sessions }) => sessions.length > 1)
  const all = learnedScatter(repeated.map(({ sessions }) => sessions))
  const tests = [...new Set(repeated.map(({ test }) => test))].map((test) => {
    const own = repeated.filter((one) => one.test === test).map(({ sessions }) => sessions)
    return [test, learnedScatter(own, all)] as const
  })
  return { all, tests: Object.fromEntries(tests) }
}

/** A test that has no repeated sessions of its own may scatter more than those that have: at least as is usual. */
export const scatterFrom =
  ({ all, tests }: ShopScatter): ScatterOf =>
  (test, figure) => {
    const usual = usualScatter(figure)
    return (
      tests[test] ?? {
        withinSd: Math.max(all.withinSd, usual.withinSd),
        sessionSd: Math.max(all.sessionSd, usual.sessionSd),
      }
    )
  }
