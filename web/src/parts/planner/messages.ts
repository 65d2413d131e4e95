import type {
  Listed,
  PlanAnswer,
  PlanOption,
  PlanRequest,
  Policy,
} from '@tembrix/core/judging/plan'

/** The exact answers to one need under each policy. */
export type ByPolicy = Readonly<Record<Policy, readonly PlanOption[]>>

/** Request to the planner’s worker; with `listed` it also answers with plans of listed modules only. */
export interface ToPlanner {
  request: PlanRequest
  listed: readonly Listed[] | null
}

/** What the planner's worker says: the answer to what was asked, then what the other policies would answer. */
export type FromPlanner =
  | { kind: 'progress'; share: number }
  | { kind: 'answer'; answer: PlanAnswer }
  | { kind: 'all'; byPolicy: ByPolicy; listed: readonly PlanOption[] | null }
  | { kind: 'failed'; why: string }
