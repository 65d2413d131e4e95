import { z } from 'zod'
import { Machine } from '../model'
import { LongText, OwnId, ShortText, Stored, Versioned } from './stored'

const fields = {
  customerId: z.uuid(),
  serialNumber: ShortText,
  note: LongText,
  machine: Machine,
}

export const NewMachineRecord = OwnId.extend({
  ...fields,
  serialNumber: fields.serialNumber.default(''),
  note: fields.note.default(''),
})
export type NewMachineRecord = z.input<typeof NewMachineRecord>

export const MachineChange = z.object(fields).omit({ customerId: true }).partial()
export type MachineChange = z.infer<typeof MachineChange>
export const MachinePatch = Versioned.extend(MachineChange.shape)

/** One customer's device: its memory side as known, and what tells it from the next. */
export const MachineRecord = Stored.extend(fields)
export type MachineRecord = z.infer<typeof MachineRecord>
