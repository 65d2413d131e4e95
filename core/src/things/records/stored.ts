import { z } from 'zod'

/** How often a record was written; the database counts so far. */
export const Version = z.int().positive().max(2_147_483_647)

/** What every stored record carries; `version` goes up by one with each write. */
export const Stored = z.object({
  id: z.uuid(),
  version: Version,
  createdAt: z.iso.datetime(),
  updatedAt: z.iso.datetime(),
})
export type Stored = z.infer<typeof Stored>

/** The version a change was made against; a record that has moved on refuses it. */
export const Versioned = z.object({ version: Version })

/** A record may bring its own id, so that sending it twice stores it once. */
export const OwnId = z.object({ id: z.uuid().optional() })

export const ShortText = z.string().trim().max(200)
export const LongText = z.string().max(10_000)

/** An amount of money in minor units (cents). */
export const Money = z.int().min(0).max(100_000_000).meta({ unit: 'minor units' })
