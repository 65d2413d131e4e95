import { z } from 'zod'
import { Lettering } from '../model'
import type { KindOfRecord } from './kind'
import { OwnId, Stored, Versioned } from './stored'

/** The most a reading may hold, in characters of text or of base64. */
export const READING_LIMIT = 2_100_000

const fields = {
  name: z.string().trim().min(1).max(200),
  by: z.string().trim().max(80),
  text: z.string().max(READING_LIMIT).nullable(),
  base64: z.base64().max(READING_LIMIT).nullable(),
  seats: z.record(z.string().regex(/^\d{1,4}(?:\.\d)?$/), Lettering.nullable()),
}

export const NewReadingRecord = OwnId.extend({
  jobId: z.uuid(),
  ...fields,
  by: fields.by.default(''),
  text: fields.text.default(null),
  base64: fields.base64.default(null),
  seats: fields.seats.default({}),
}).refine(({ text, base64 }) => (text === null) !== (base64 === null), {
  error: 'A reading holds either text or base64.',
  path: ['text'],
})
export type NewReadingRecord = z.input<typeof NewReadingRecord>

export const ReadingChange = z.object(fields).pick({ name: true, seats: true }).partial()
export type ReadingChange = z.infer<typeof ReadingChange>
export const ReadingPatch = Versioned.extend(ReadingChange.shape)

/**
 * Something that was read on a job, as it came. `seats` says which slot the module at an index belongs
 * to, where a person said so (null: none of this machine's).
 */
export const ReadingRecord = Stored.extend({ jobId: z.uuid(), ...fields })
export type ReadingRecord = z.infer<typeof ReadingRecord>

export const READINGS = {
  record: 'reading',
  displayName: 'a reading',
  inJob: 'many',
  shownIn: [],
  createSchema: NewReadingRecord,
  updateSchema: ReadingPatch,
  stored: ReadingRecord,
  blank: { by: '', text: null, base64: null, seats: {} },
  entries: ['seats'],
} as const satisfies KindOfRecord
