import { z } from 'zod'
import type { KindOfRecord } from './kind'
import { LongText, OwnId, ShortText, Stored, Versioned } from './stored'

/** How far a claim is: noted, sent to whoever stands by the part, and what they answered. */
export const CLAIM_STATES = [
  'noted',
  'sent',
  'accepted',
  'refused',
  'replaced',
  'credited',
] as const
export const ClaimState = z.enum(CLAIM_STATES)
export type ClaimState = z.infer<typeof ClaimState>

const fields = {
  /** The piece that went bad: of a supplier's article, the one with this unit. */
  moduleId: z.uuid(),
  unit: z.int().min(0).max(63),
  /** What it does, and how that was found. */
  what: LongText,
  /** The invoice or delivery note it came with. */
  invoice: ShortText,
  /** What whoever stands by it calls the claim. */
  reference: ShortText,
  state: ClaimState,
  /** The module as a person names it, where it was, and its serial number. */
  text: ShortText,
  slot: ShortText,
  serial: ShortText,
  /** Who is claimed against: its supplier or maker. */
  against: ShortText,
  /** When to ask how far they are; null where nobody set a day. */
  chaseOn: z.iso.date('This is no date.').nullable(),
  /** Serial number of the replacement that came for it. */
  replacement: ShortText,
}

export const NewClaim = OwnId.extend({
  jobId: z.uuid(),
  ...fields,
  unit: fields.unit.default(0),
  what: fields.what.default(''),
  invoice: fields.invoice.default(''),
  reference: fields.reference.default(''),
  state: fields.state.default('noted'),
  text: fields.text.default(''),
  slot: fields.slot.default(''),
  serial: fields.serial.default(''),
  against: fields.against.default(''),
  chaseOn: fields.chaseOn.default(null),
  replacement: fields.replacement.default(''),
})
export type NewClaim = z.input<typeof NewClaim>

export const ClaimChange = z.object(fields).omit({ moduleId: true, unit: true }).partial()
export type ClaimChange = z.infer<typeof ClaimChange>
export const ClaimPatch = Versioned.extend(ClaimChange.shape)

/** A module fitted in a job that was found bad later, and what became of its warranty. */
export const WarrantyClaim = Stored.extend({ jobId: z.uuid(), ...fields })
export type WarrantyClaim = z.infer<typeof WarrantyClaim>

export const CLAIMS = {
  record: 'claim',
  displayName: 'a warranty claim',
  inJob: 'many',
  shownIn: ['waiting'],
  createSchema: NewClaim,
  updateSchema: ClaimPatch,
  stored: WarrantyClaim,
  blank: {
    unit: 0,
    what: '',
    invoice: '',
    reference: '',
    state: 'noted',
    text: '',
    slot: '',
    serial: '',
    against: '',
    chaseOn: null,
    replacement: '',
  },
  entries: [],
} as const satisfies KindOfRecord
