import { evaluate } from '../../judging/evaluate'
import type { Evaluation, Machine, Placement, Settings } from '../../things/model'
import { type Assignment, type Piece, placementOf, prune } from '../../things/records'

/** One state of the slots, as found or as planned, and what it does. */
export interface Situation {
  assignment: Assignment
  placement: Placement
  settings: Settings
  evaluation: Evaluation
}

/** What an assignment comes to in a machine, as far as its slots and these pieces go. */
export function situationOf(
  machine: Machine,
  stored: Assignment,
  pieces: ReadonlyMap<string, Piece>,
  settings: Settings,
): Situation {
  const assignment = prune(machine, stored, pieces)
  const placement = placementOf(machine, assignment, pieces)
  const evaluation = evaluate({ machine, placement, settings })
  return { assignment, placement, settings, evaluation }
}
