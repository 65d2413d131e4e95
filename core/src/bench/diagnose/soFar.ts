import { type Control, controlsMissing } from './control'
import { isBad, levelOf } from './evidence'
import { chanceOfPart, type Named } from './inference'
import { curePassesMissing, type FaultSearch, type Unseen } from './verdict'

/** Known and unknown facts of a search that is stopped. */
export interface SoFar {
  /** Parts that trials have cleared: tried, and hardly suspected any more. */
  cleared: string[]
  /** The explanation that leads, proven or not. */
  leading: Named & { isCured: boolean }
  /** Controls missing before the part can be named; passes missing before it counts as put right. */
  missing: Control[]
  passes: number
  /** Faults that the trials made cannot show. */
  unseen: Unseen[]
}

/** A part is cleared once it is suspected less than this, and sat in a machine that passed. */
const CLEARED = 0.01

/** Sums up a search before its end. */
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
  return {
    cleared,
    leading,
    missing: leading.isCured ? [] : controlsMissing(leading.parts, suspicion.bench, trials),
    passes: leading.isCured ? curePassesMissing(search) : 0,
    unseen: [
      ...(passed.length > 0 ? (['RARE'] as const) : []),
      ...(trials.slice(1).some((trial) => levelOf(trial) > 0) ? [] : (['ONLY_WARM'] as const)),
    ],
  }
}
