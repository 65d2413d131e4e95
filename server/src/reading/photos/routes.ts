import { NewPhoto, PHOTO_LIMIT } from '@tembrix/core/things/records'
import { eq } from 'drizzle-orm'
import express, { Router } from 'express'
import { type Database, photos, pictures } from '../../base/database'
import { HttpError, notFound, storable } from '../../base/http'
import { inPool } from '../../base/pool'
import { answerCreated, create, find, idOf, jobKind, photoKind } from '../../things/store'

const Query = NewPhoto.refine(({ caption }) => storable(caption), {
  error: 'This is no text.',
  path: ['caption'],
})

/** Pictures on a job: taken in as they are (`?jobId=&caption=`), stored encoded again. */
export function photoRoutes(db: Database): Router {
  const routes = Router()
  const body = express.raw({ type: () => true, limit: PHOTO_LIMIT })

  routes.post('/', body, async (request, response) => {
    const { jobId, id, caption } = Query.parse(request.query)
    if (!Buffer.isBuffer(request.body)) {
      throw new HttpError(400, 'no_picture', 'Send a picture as the body.')
    }
    const known = id && (await db.select().from(photos).where(eq(photos.id, id)))[0]
    if (known) {
      answerCreated(response, { row: known, fresh: false })
      return
    }
    const { picture, width, height } = await inPool({ work: 'picture', bytes: request.body })
    const created = await db.transaction(async (tx) => {
      await find(tx, jobKind, jobId)
      const bytes = picture.length
      const made = await create(tx, photoKind, { id, jobId, caption, width, height, bytes })
      if (made.fresh) await tx.insert(pictures).values({ photoId: made.row.id, picture })
      return made
    })
    answerCreated(response, created)
  })

  routes.get('/:id/picture', async (request, response) => {
    const id = idOf(request.params)
    const [row] = await db.select().from(pictures).where(eq(pictures.photoId, id))
    if (!row) throw notFound('photo')
    response
      .set({
        'content-type': 'image/jpeg',
        'cache-control': 'private, max-age=31536000, immutable',
      })
      .send(Buffer.from(row.picture))
  })

  return routes
}
