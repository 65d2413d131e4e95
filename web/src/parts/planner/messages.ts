import type { Option, PlanAnswer, Policy } from '@tembrix/core/plan'

/** The exact answers to one need under each policy. */
export type ByPolicy = Readonly<Record<Policy, readonly Option[]>>

/** What the planner's worker says: the answer to what was asked, then what the other policies would answer. */
export type FromPlanner =
  | { kind: 'progress'; share: number }
  | { kind: 'answer'; answer: PlanAnswer }
  | { kind: 'all'; byPolicy: ByPolicy }
  | { kind: 'failed'; why: string }
