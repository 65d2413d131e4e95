import { EXCHANGE_FORMAT, EXCHANGE_VERSION, ExchangedJob } from '@tembrix/core/exchange'
import { inArray } from 'drizzle-orm'
import { modules, pictures, type Transaction } from '../database'
import { readJob } from '../jobs'
import { find, listed, modelKind, moduleKind } from '../store'

/** A job and everything it rests on, with its pictures, as they go into a file. */
export async function exchanged(
  tx: Transaction,
  id: string,
): Promise<{ job: ExchangedJob; pictures: Map<string, Uint8Array> }> {
  const { customer, machine, ...rest } = await readJob(tx, id)
  const file = rest as unknown as ExchangedJob & ExchangedJob['job'] & { machineId: string }
  const model = (machine as { modelId: string | null }).modelId
  const own = new Set(file.modules.map((module) => module.id))
  const placed = [file.found, ...file.plans.map(({ placement }) => placement ?? {})]
  const held = [
    ...new Set(placed.flatMap((one) => Object.values(one).map(({ moduleId }) => moduleId))),
  ].filter((one) => !own.has(one))
  const pieces = held.length > 0 ? await listed(tx, moduleKind, inArray(modules.id, held)) : []
  const photoIds = file.photos.map((photo) => photo.id)
  const taken =
    photoIds.length > 0
      ? await tx.select().from(pictures).where(inArray(pictures.photoId, photoIds))
      : []
  const lists = {
    modules: file.modules,
    plans: file.plans,
    quotes: file.quotes,
    readings: file.readings,
    photos: file.photos,
    fits: file.fits,
    verifications: file.verifications,
    handovers: file.handovers,
    claims: file.claims,
    measurements: file.measurements,
    frames: file.frames,
  }
  const job = ExchangedJob.parse({
    format: EXCHANGE_FORMAT,
    version: EXCHANGE_VERSION,
    job: rest,
    customer,
    machine,
    model: model ? await find(tx, modelKind, model) : null,
    pieces,
    ...lists,
  })
  return { job, pictures: new Map(taken.map(({ photoId, picture }) => [photoId, picture])) }
}
