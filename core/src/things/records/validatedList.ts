import { z } from 'zod'
import { DataRate, isModuleCapacity } from '../model'
import { columnMapping } from '../tables'
import { OwnId, Stored } from './stored'

const FEW = 'A count of modules or slots is a whole number from 1 to 64.'

/** A part number the maker tested: `kitSize` pieces to a kit, in as many as `slotsTested` slots, at `dataRate` MT/s. */
export const ValidatedEntry = z.object({
  article: z
    .string()
    .trim()
    .min(1, 'The part number is missing.')
    .max(120, 'This is too long for a part number.'),
  /** Who makes it, where the list has that in a column of its own. */
  maker: z.string().trim().max(120, 'This is too long for the name of a maker.').optional(),
  kitSize: z.int().min(1, FEW).max(64, FEW).nullable(),
  capacityGiB: z
    .number()
    .refine(isModuleCapacity, 'No memory of this capacity is made.')
    .nullable(),
  slotsTested: z.int().min(1, FEW).max(64, FEW).nullable(),
  dataRate: DataRate.nullable(),
})
export type ValidatedEntry = z.infer<typeof ValidatedEntry>

export const VALIDATED_COLUMNS = [
  'article',
  'maker',
  'kitSize',
  'capacityGiB',
  'slotsTested',
  'dataRate',
] as const
export type ValidatedColumn = (typeof VALIDATED_COLUMNS)[number]

/** The most rows a list may have. */
export const VALIDATED_LIMIT = 20_000

const fields = {
  modelId: z.uuid(),
  name: z.string().trim().min(1).max(200),
  mapping: columnMapping(VALIDATED_COLUMNS),
  entries: z.array(ValidatedEntry).min(1, 'The list has no entry.').max(VALIDATED_LIMIT),
}

export const NewValidatedList = OwnId.extend(fields)
export type NewValidatedList = z.input<typeof NewValidatedList>

/** A maker's list of tested modules for a model of machine. */
export const ValidatedList = Stored.extend(fields)
export type ValidatedList = z.infer<typeof ValidatedList>

export const ValidatedListLine = ValidatedList.omit({ entries: true }).extend({ count: z.int() })
export type ValidatedListLine = z.infer<typeof ValidatedListLine>
