import { z } from 'zod'
import { Module } from '../model'
import { LongText, Money, OwnId, Stored, Versioned } from './stored'

export const MODULE_SOURCES = ['customer', 'shelf', 'supplier'] as const
export const ModuleSource = z.enum(MODULE_SOURCES)
export type ModuleSource = z.infer<typeof ModuleSource>

const fields = {
  jobId: z.uuid().nullable(),
  source: ModuleSource,
  module: Module,
  price: Money.nullable(),
  note: LongText,
}

export const NewModuleRecord = OwnId.extend({
  ...fields,
  jobId: fields.jobId.default(null),
  price: fields.price.default(null),
  note: fields.note.default(''),
}).refine(({ jobId, source }) => (jobId === null) === (source !== 'customer'), {
  error: 'A customer’s module belongs to a job; the shelf’s and the supplier’s belong to none.',
  path: ['jobId'],
})
export type NewModuleRecord = z.input<typeof NewModuleRecord>

export const ModuleChange = z.object(fields).omit({ jobId: true, source: true }).partial()
export type ModuleChange = z.infer<typeof ModuleChange>
export const ModulePatch = Versioned.extend(ModuleChange.shape)

/**
 * A piece that can be put in a slot: one of the customer's (on its job), one on the shop's shelf, or
 * what a supplier sells (any number; `price` is for the whole kit where the module is one of a kit).
 */
export const ModuleRecord = Stored.extend(fields)
export type ModuleRecord = z.infer<typeof ModuleRecord>
