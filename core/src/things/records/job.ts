import { z } from 'zod'
import { Policy } from '../model'
import { Assignment } from './assignment'
import { NewCustomer } from './customer'
import type { KindOfRecord } from './kind'
import { NewMachineRecord } from './machineRecord'
import { NOTHING_SIZED, Sizing } from './sizing'
import { Rulings } from './sources'
import { COUNTER_STATES, NEXT_ACTS, STAGES } from './stages'
import { LongText, Money, OwnId, ShortText, Stored, Versioned } from './stored'

export const Stage = z.enum(STAGES)
export type Stage = z.infer<typeof Stage>

/** Whether a copy of the customer's data is kept: made by them, to be made by the shop, or not wanted. */
export const BACKUP_CONSENTS = ['made', 'shop', 'declined'] as const
export const BackupConsent = z.enum(BACKUP_CONSENTS)
export type BackupConsent = z.infer<typeof BackupConsent>

/** How one gets into the machine's system: it asks for nothing, the customer types it, or a password is kept for the job. */
export const LOGINS = ['none', 'customer', 'kept'] as const
export const Login = z.enum(LOGINS)
export type Login = z.infer<typeof Login>

/** Whether a machine runs with settings of its owner's making, and which. */
export const OwnSettings = z.object({ found: z.boolean(), what: z.string().max(500) })
export type OwnSettings = z.infer<typeof OwnSettings>

/** Ends of a job without work: the customer declined, or took it back, asked for a price only, it is not worth it, or nobody came for it. */
export const ENDINGS = [
  'declined',
  'cancelled',
  'price-only',
  'not-worth-it',
  'not-collected',
] as const
export const WithoutWork = z.object({
  as: z.enum(ENDINGS),
  note: z.string().max(500),
  /** Charged for the trouble, in minor units; null for nothing. */
  fee: Money.nullable(),
  at: z.iso.datetime(),
  by: ShortText,
})
export type WithoutWork = z.infer<typeof WithoutWork>

const fields = {
  complaint: LongText,
  uses: LongText,
  budget: Money.nullable(),
  dueOn: z.iso.date('This is no date.').nullable(),
  stage: Stage,
  found: Assignment,
  rulings: Rulings,
  sizing: Sizing,
  policy: Policy.nullable(),
  /** How the machine looked when it came in: marks, cracks, what is loose. */
  condition: LongText,
  /** Modified firmware, undervolted or overclocked settings; null: nobody has asked. */
  ownSettings: OwnSettings.nullable(),
  /** How it ended without work; null while it goes on, or ends with some. */
  withoutWork: WithoutWork.nullable(),
  /** What came with it: a charger, a bag, a mouse. */
  accessories: z.array(ShortText.min(1)).max(30),
  /** Null: nobody has asked. */
  backup: BackupConsent.nullable(),
  /** Null: nobody has asked. A password that is kept is stored apart, encrypted. */
  login: Login.nullable(),
  /** When to ask the customer again. */
  followUpOn: z.iso.date('This is no date.').nullable(),
}

/** A new job brings a customer and a machine, each known by id or new. */
export const NewJob = OwnId.extend({
  customer: z.union([z.object({ id: z.uuid() }).strict(), NewCustomer]),
  machine: z.union([
    z.object({ id: z.uuid() }).strict(),
    NewMachineRecord.omit({ customerId: true }),
  ]),
  complaint: fields.complaint.default(''),
  uses: fields.uses.default(''),
  budget: fields.budget.default(null),
  dueOn: fields.dueOn.default(null),
  stage: fields.stage.default('identify'),
  sizing: fields.sizing.default(NOTHING_SIZED),
  policy: fields.policy.default(null),
  condition: fields.condition.default(''),
  ownSettings: fields.ownSettings.default(null),
  withoutWork: fields.withoutWork.default(null),
  accessories: fields.accessories.default([]),
  backup: fields.backup.default(null),
  login: fields.login.default(null),
  followUpOn: fields.followUpOn.default(null),
  /** The job this one is a new visit for. */
  followsId: z.uuid().nullable().default(null),
})
export type NewJob = z.input<typeof NewJob>

export const JobChange = z.object(fields).partial()
export type JobChange = z.infer<typeof JobChange>
export const JobPatch = Versioned.extend(JobChange.shape)

/**
 * `found` is what was in the slots when the machine came in; `rulings` settle what the evidence
 * contradicts; `policy` is the one this job is planned by, null for the shop's; `followsId` is the job
 * that it is a new visit for.
 */
export const Job = Stored.extend({
  ...fields,
  number: z.int(),
  customerId: z.uuid(),
  machineId: z.uuid(),
  /** The plan on the board. */
  planId: z.uuid().nullable(),
  followsId: z.uuid().nullable(),
  /** The job of the first of several like machines, whose plan and quote this one follows. */
  leadId: z.uuid().nullable(),
})
export type Job = z.infer<typeof Job>

/** A line of the counter's list. */
export const JobLine = Job.pick({
  id: true,
  number: true,
  complaint: true,
  stage: true,
  dueOn: true,
  updatedAt: true,
  followUpOn: true,
  leadId: true,
  customerId: true,
  machineId: true,
}).extend({
  customerName: z.string(),
  phone: z.string(),
  machineName: z.string(),
  machineKind: z.string(),
  state: z.enum(COUNTER_STATES),
  act: z.enum(NEXT_ACTS),
  /** How many like machines there are with this one, how many of them are ready or gone, and whose act is the next. */
  machines: z.int().positive(),
  ready: z.int().min(0),
  actId: z.uuid(),
  /** Minutes of work quoted and not done yet; null where no quote says. */
  minutes: z.int().nullable(),
  /** When the last part on order comes; null where none is awaited or nobody has said. */
  partsOn: z.iso.date().nullable(),
})
export type JobLine = z.infer<typeof JobLine>

/** Like machines that are added to a job, each by what tells it from the others. */
export const MachineGroup = z.object({
  machines: z
    .array(z.object({ id: z.uuid(), serialNumber: ShortText.default('') }))
    .min(1, 'At least one.')
    .max(60, 'At most 60 at a time.'),
})
export type MachineGroup = z.input<typeof MachineGroup>

/** One of several like machines: its job, what tells it from the others, and where it stands. */
export const LikeMachine = z.object({
  id: z.uuid(),
  number: z.int(),
  serialNumber: z.string(),
  state: z.enum(COUNTER_STATES),
  act: z.enum(NEXT_ACTS),
  leads: z.boolean(),
})
export type LikeMachine = z.infer<typeof LikeMachine>

export const JOBS = {
  record: 'job',
  displayName: 'the job',
  inJob: 'itself',
  shownIn: ['jobs'],
  createSchema: NewJob,
  updateSchema: JobPatch,
  stored: Job,
  blank: {},
  entries: ['rulings', 'accessories'],
} as const satisfies KindOfRecord
