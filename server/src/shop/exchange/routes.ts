import { type ExchangedJob, exchangeSchema, readExchanged } from '@tembrix/core/shop/exchange'
import express, { type RequestHandler, Router } from 'express'
import type { Database } from '../../base/database'
import { malformedText } from '../../base/errors'
import { HttpError, storable } from '../../base/http'
import { inPool } from '../../base/pool'
import { idOf } from '../../things/store'
import { openArchive, toArchive } from './archive'
import { takeInJob } from './takeIn'
import { exchanged } from './write'

/** The largest file of a job that is taken in, bytes. */
const LIMIT = 150e6

/** A whole job as a zip archive: `job.json`, and its photos beside it. */
export const jobFile =
  (db: Database): RequestHandler =>
  async (request, response) => {
    const id = idOf(request.params as { id: string })
    const { job, pictures } = await db.transaction((tx) => exchanged(tx, id))
    response.set({
      'content-type': 'application/zip',
      'content-disposition': `attachment; filename="job-${job.job.number}.zip"`,
    })
    toArchive(JSON.stringify(job, null, 1), pictures).pipe(response)
  }

/** Takes in jobs that were written as files elsewhere: all of it, or nothing. */
export function jobFileRoutes(db: Database): Router {
  const routes = Router()
  const body = express.raw({ type: () => true, limit: LIMIT })

  routes.post('/', body, async (request, response) => {
    if (!Buffer.isBuffer(request.body)) {
      throw new HttpError(400, 'no_file', 'Send the file of a job as the body.')
    }
    const { job, photos } = await openArchive(request.body)
    const file = readExchanged(parsed(job))
    if ('fault' in file) throw new HttpError(400, 'not_a_job_file', file.fault)
    if (!storable(file)) throw malformedText()
    const checked = new Map<string, Uint8Array>()
    const kept: ExchangedJob['photos'] = []
    for (const photo of file.photos) {
      const bytes = photos.get(photo.id)
      if (!bytes) throw new HttpError(400, 'not_a_job_file', 'A photo of it is missing.')
      const { picture, width, height } = await safePicture(bytes, photo)
      checked.set(photo.id, picture)
      kept.push({ ...photo, width, height, bytes: picture.length })
    }
    const taken = await db.transaction((tx) => takeInJob(tx, { ...file, photos: kept }, checked))
    response.status(201).json(taken)
  })

  routes.get('/schema', (_request, response) => {
    response.json(exchangeSchema())
  })

  return routes
}

function parsed(text: string): unknown {
  try {
    return JSON.parse(text)
  } catch {
    throw new HttpError(400, 'damaged_file', 'The file is damaged: its job is no JSON.')
  }
}

const isJpeg = (bytes: Buffer) => bytes[0] === 0xff && bytes[1] === 0xd8
const tellsMore = (bytes: Buffer) => bytes.subarray(0, 65_536).includes('Exif\0')

/** A picture as it came where it is one as this server keeps them; encoded again otherwise. */
async function safePicture(
  bytes: Buffer,
  { width, height }: { width: number; height: number },
): Promise<{ picture: Uint8Array; width: number; height: number }> {
  const again = await inPool({ work: 'picture', bytes })
  const same = again.width === width && again.height === height
  return isJpeg(bytes) && !tellsMore(bytes) && same ? { picture: bytes, width, height } : again
}
