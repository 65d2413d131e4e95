import { z } from 'zod'
import { KIND_INFO } from './kindInfo'
import type { Collection } from './kinds'
import { Version } from './stored'

const Kind = z.custom<Collection>(
  (one) => typeof one === 'string' && Object.hasOwn(KIND_INFO, one),
  {
    error: 'There is no such kind of record.',
  },
)
const One = z.strictObject({ collection: Kind, id: z.uuid() })
const At = One.extend({ version: Version })
const Fields = z.record(z.string().max(60), z.unknown())

/** One write of an act; `expect` writes nothing: the act was decided on that record as it was at this version. */
export const ActWrite = z.discriminatedUnion('action', [
  One.extend({ action: z.literal('create'), fields: Fields }),
  At.extend({ action: z.literal('change'), fields: Fields }),
  At.extend({ action: z.literal('remove') }),
  At.extend({ action: z.literal('expect') }),
])
export type ActWrite = z.infer<typeof ActWrite>

/** What belongs together: all of it is written or nothing, and once, however often it is sent. */
export const NewAct = z.strictObject({ id: z.uuid(), writes: z.array(ActWrite).min(1).max(100) })
export type NewAct = z.infer<typeof NewAct>

/** Which records an act that is through was about. */
export type ActDone = Pick<ActWrite, 'action' | 'collection' | 'id'>
