import { z } from 'zod'
import type { KindOfRecord } from './kind'
import { OwnId, Stored, Versioned } from './stored'

/** The largest picture taken in, bytes as it comes from a camera. */
export const PHOTO_LIMIT = 12_000_000

/** Kinds of pictures that are taken, HEIC only where the server’s image library reads it. */
export const PHOTO_TYPES = [
  'image/jpeg',
  'image/png',
  'image/webp',
  'image/avif',
  'image/heic',
] as const

const fields = { caption: z.string().trim().max(200) }

/** What is said of a photo; its picture comes along with it. */
export const NewPhoto = OwnId.extend({ jobId: z.uuid(), caption: fields.caption.default('') })

export const PhotoChange = z.object(fields).partial()
export type PhotoChange = z.infer<typeof PhotoChange>
export const PhotoPatch = Versioned.extend(PhotoChange.shape)

/** A picture on a job, without its bytes: `width` and `height` in pixels as stored. */
export const Photo = Stored.extend({
  jobId: z.uuid(),
  ...fields,
  width: z.int(),
  height: z.int(),
  bytes: z.int(),
})
export type Photo = z.infer<typeof Photo>

export const PHOTOS = {
  record: 'photo',
  displayName: 'a photo',
  inJob: 'many',
  shownIn: [],
  createSchema: NewPhoto,
  updateSchema: PhotoPatch,
  stored: Photo,
  blank: { caption: '', width: 0, height: 0, bytes: 0 },
  entries: [],
} as const satisfies KindOfRecord
