import { z } from 'zod'
import { Battery, Machine } from '../model'
import type { KindOfRecord } from './kind'
import { ScrewMap } from './screwPin'
import { Sources } from './sources'
import { LongText, OwnId, Stored, Versioned } from './stored'

/** What is under a cover of the machine. */
export const Cover = z.object({
  cover: z.string().trim().min(1, 'Name the cover.').max(120),
  hides: z.string().trim().max(300),
})
export type Cover = z.infer<typeof Cover>

const fields = {
  machine: Machine,
  sources: Sources,
  /** As a fitting's: what was seen on the first of this model. */
  hatch: z.boolean().nullable(),
  battery: Battery.nullable(),
  openingMinutes: z.int().min(0).max(1440).nullable(),
  covers: z.array(Cover).max(20),
  cautions: z.array(z.string().trim().min(1, 'Say what to take care of.').max(400)).max(20),
  note: LongText,
  screwMap: ScrewMap.nullable(),
}

export const NewModelRecord = OwnId.extend({
  ...fields,
  sources: fields.sources.default({}),
  hatch: fields.hatch.default(null),
  battery: fields.battery.default(null),
  openingMinutes: fields.openingMinutes.default(null),
  covers: fields.covers.default([]),
  cautions: fields.cautions.default([]),
  note: fields.note.default(''),
  screwMap: fields.screwMap.default(null),
})
export type NewModelRecord = z.input<typeof NewModelRecord>

export const ModelChange = z.object(fields).partial()
export type ModelChange = z.infer<typeof ModelChange>
export const ModelPatch = Versioned.extend(ModelChange.shape)

/** What the shop knows of a model of machine: a new job on one starts from it. */
export const ModelRecord = Stored.extend(fields)
export type ModelRecord = z.infer<typeof ModelRecord>

export const MODELS = {
  record: 'model',
  displayName: 'a machine record',
  inJob: null,
  shownIn: ['models'],
  createSchema: NewModelRecord,
  updateSchema: ModelPatch,
  stored: ModelRecord,
  blank: {},
  entries: [],
} as const satisfies KindOfRecord
