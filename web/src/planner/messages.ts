import type { PlanAnswer } from '@tembrix/core/plan'

/** What the planner's worker says. */
export type FromPlanner =
  | { kind: 'progress'; share: number }
  | { kind: 'answer'; answer: PlanAnswer }
  | { kind: 'failed'; why: string }
