import type { Evaluation, Finding, Machine, Module, Placement, Settings } from '../../things/model'
import { evaluate } from '../evaluate'

/** What would come of one change, against what is. */
export interface Consequences {
  before: Evaluation
  after: Evaluation
  /** Findings the change would bring, the gravest first, and those it would settle. */
  brings: Finding[]
  settles: Finding[]
}

/** What putting a module in a slot (null: emptying it) would do to a placement. */
export function consequences(
  machine: Machine,
  placement: Placement,
  settings: Settings,
  slot: string,
  module: Module | null,
): Consequences {
  const before = evaluate({ machine, placement, settings })
  const after = evaluate({ machine, placement: { ...placement, [slot]: module }, settings })
  return {
    before,
    after,
    brings: without(after.findings, before.findings),
    settles: without(before.findings, after.findings),
  }
}

function without(findings: readonly Finding[], known: readonly Finding[]): Finding[] {
  const codes = new Set(known.map(({ code }) => code))
  return findings.filter(({ code }) => !codes.has(code))
}
