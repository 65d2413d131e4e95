import { z } from 'zod'
import { Manual, type Settings } from '../model'
import { Assignment } from './assignment'
import type { KindOfRecord } from './kind'
import { OwnId, Stored, Versioned } from './stored'

const fields = {
  name: z.string().trim().min(1, 'A plan needs a name.').max(80),
  placement: Assignment.nullable(),
  profile: z.boolean(),
  manual: Manual.nullable(),
}

export const NewPlan = OwnId.extend({
  jobId: z.uuid(),
  name: fields.name,
  placement: fields.placement.default(null),
  profile: fields.profile.default(false),
  manual: fields.manual.default(null),
})
export type NewPlan = z.input<typeof NewPlan>

export const PlanChange = z.object(fields).partial()
export type PlanChange = z.infer<typeof PlanChange>
export const PlanPatch = Versioned.extend(PlanChange.shape)

/**
 * Which piece goes in which slot (null: not planned yet, all stays as found), whether the memory
 * profile is asked for, and what is set by hand in the setup.
 */
export const Plan = Stored.extend({ ...fields, jobId: z.uuid() })
export type Plan = z.infer<typeof Plan>

/** The settings a plan stands at. */
export const settingsOf = ({ profile, manual }: Pick<Plan, 'profile' | 'manual'>): Settings => ({
  profile,
  manual,
})

export const PLANS = {
  record: 'plan',
  displayName: 'the plan',
  inJob: 'many',
  shownIn: ['jobs'],
  createSchema: NewPlan,
  updateSchema: PlanPatch,
  stored: Plan,
  blank: { placement: null, profile: false, manual: null },
  entries: [],
} as const satisfies KindOfRecord
