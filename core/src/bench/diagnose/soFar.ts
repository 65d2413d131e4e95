import { type Control, controlsMissing } from './control'
import { isBad, levelOf } from './evidence'
import { chanceOfPart, type Named } from './inference'
import { isWarm } from './trial'
import { type FaultSearch, passesSinceCure, type Unseen } from './verdict'

/** What is known and what is not where a search is stopped. */
export interface SoFar {
  /** Parts that trials have cleared: tried, and hardly suspected any more. */
  cleared: string[]
  /** The explanation that leads, proven or not. */
  leading: Named & { isCured: boolean }
  /** What is missing before it could be named, or called put right: so many passes. */
  missing: Control[]
  passes: number
  /** What the trials made cannot show. */
  unseen: Unseen[]
}

/** A part is cleared once it is suspected less than this, and sat in a machine that passed. */
const CLEARED = 0.01

/** What a search knows so far. */
export function soFar(search: FaultSearch): SoFar {
  const { suspicion, trials, leading } = search
  const passed = trials.filter((trial) => !isBad(trial) && !trial.unsure)
  const modules = suspicion.bench.modules.map((module) => `module ${module}`)
  const slots = suspicion.bench.order.map((slot) => `slot ${slot}`)
  const sat = new Set(
    passed.flatMap(({ arrangement }) =>
      Object.entries(arrangement).flatMap(([slot, module]) => [`slot ${slot}`, `module ${module}`]),
    ),
  )
  const cleared = [...modules, ...slots].filter(
    (part) => sat.has(part) && chanceOfPart(suspicion, part) < CLEARED,
  )
  const { clean, needed } = passesSinceCure(search)
  return {
    cleared,
    leading,
    missing: leading.isCured ? [] : controlsMissing(leading.parts, suspicion.bench, trials),
    passes: leading.isCured && Number.isFinite(needed) ? Math.max(0, needed - clean) : 0,
    unseen: [
      ...(passed.length > 0 ? (['RARE'] as const) : []),
      ...(trials.slice(1).some((trial) => isWarm(trial) && levelOf(trial) > 0)
        ? []
        : (['ONLY_WARM'] as const)),
    ],
  }
}
