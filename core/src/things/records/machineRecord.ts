import { z } from 'zod'
import { Machine } from '../model'
import type { KindOfRecord } from './kind'
import { Sources } from './sources'
import { LongText, OwnId, ShortText, Stored, Versioned } from './stored'

const fields = {
  customerId: z.uuid(),
  serialNumber: ShortText,
  note: LongText,
  machine: Machine,
  modelId: z.uuid().nullable(),
  sources: Sources,
}

export const NewMachineRecord = OwnId.extend({
  ...fields,
  serialNumber: fields.serialNumber.default(''),
  note: fields.note.default(''),
  modelId: fields.modelId.default(null),
  sources: fields.sources.default({}),
})
export type NewMachineRecord = z.input<typeof NewMachineRecord>

export const MachineChange = z.object(fields).omit({ customerId: true }).partial()
export type MachineChange = z.infer<typeof MachineChange>
export const MachinePatch = Versioned.extend(MachineChange.shape)

/**
 * One customer's device: its memory side as known, with the source of each figure, what tells it from
 * the next, and which of the shop's models it is.
 */
export const MachineRecord = Stored.extend(fields)
export type MachineRecord = z.infer<typeof MachineRecord>

export const MACHINES = {
  record: 'machine',
  displayName: 'the machine',
  inJob: 'one',
  shownIn: ['jobs'],
  createSchema: NewMachineRecord,
  updateSchema: MachinePatch,
  stored: MachineRecord,
  blank: {},
  entries: [],
} as const satisfies KindOfRecord
