import type { Made } from '@tembrix/core/bench/diagnose'
import { day, list } from '../../../../base/format'
import { promise } from '../../../../parts/papers'

/** What a verdict rests on: the bad modules with their warranty, the trials made, and names for modules. */
export interface VerdictFacts {
  /** The day until which somebody stands by the bad module; null where none is on record. */
  warrantyUntil: string | null
  /** The shop's own term for it, by the report of an earlier visit; null where none runs. */
  ours: { until: string; number: number } | null
  today: string
  trials: readonly Made[]
  /** Modules that are not blamed, as `moduleId unit`. */
  others: readonly string[]
  name: (module: string) => string
}

const passed = (trials: readonly Made[], module: string) =>
  trials.some(
    ({ depth, outcome, arrangement }) =>
      depth === 'test' && outcome.kind === 'PASS' && Object.values(arrangement).includes(module),
  )

/** Sentences of a verdict that promise something, each with the fact it rests on. */
export const VERDICT_PROMISES = {
  exchange: promise(
    ({ warrantyUntil, today }: VerdictFacts) =>
      warrantyUntil !== null && warrantyUntil >= today ? warrantyUntil : null,
    (until) => `Exchange it under warranty, which runs until ${day(until)}. For the supplier:`,
  ),

  ours: promise(
    ({ ours }: VerdictFacts) => ours,
    ({ until, number }) =>
      `It is under our own warranty until ${day(until)}, by the report of job ${number}: exchange it, and charge nothing for it.`,
  ),

  sound: promise(
    ({ others, trials }: VerdictFacts) => {
      const tested = others.filter((module) => passed(trials, module))
      return tested.length > 0 ? tested : null
    },
    (tested, { name }) => `Passed the memory test: ${list(tested.map(name))}.`,
  ),
} as const
