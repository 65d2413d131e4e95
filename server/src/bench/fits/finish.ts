import { startOfRound } from '@tembrix/core/shop/job'
import { cameFor, isHere, plannedParts } from '@tembrix/core/shop/orders'
import type { Assignment } from '@tembrix/core/things/records'
import { eq, inArray } from 'drizzle-orm'
import { type fits, modules, reservations, type Transaction } from '../../base/database'
import { HttpError } from '../../base/http'
import {
  change,
  create,
  find,
  jobKind,
  listed,
  moduleKind,
  planKind,
  type RecordRow,
} from '../../things/store'
import { jobUnits, piecesFor } from '../placements'

type Fit = RecordRow<typeof fits>

/**
 * Ends a fitting: the shelf's pieces in the job's plan, and those that came for it, leave the shelf with it, removed
 * modules that the shop takes come to the shelf (used, untested), and the job goes on to Verify.
 * @throws HttpError 409 `open_removed` when nobody has said where a removed module goes.
 */
export async function finish(tx: Transaction, fit: Fit): Promise<void> {
  const { job, planned } = await plannedFor(tx, fit.jobId)
  await takeFromShelf(tx, fit.jobId, planned)
  await putOnShelf(tx, fit, removedBy(job.found, planned))
  await tx.delete(reservations).where(eq(reservations.jobId, job.id))
  if (['intake', 'identify', 'size', 'plan', 'quote', 'fit'].includes(job.stage)) {
    await change(tx, jobKind, job.id, { version: job.version, stage: 'verify' })
  }
}

async function plannedFor(tx: Transaction, jobId: string) {
  const job = await find(tx, jobKind, jobId)
  const plan = job.planId ? await find(tx, planKind, job.planId) : null
  return { job, planned: plan?.placement ?? job.found }
}

/** Serial numbers of the pieces that were ordered for a job's plan, by module and unit: its record holds them from then on. */
export async function serialsThatCame(
  tx: Transaction,
  jobId: string,
): Promise<Record<string, string>> {
  const { planned } = await plannedFor(tx, jobId)
  const came = await piecesFor(tx, jobId)
  return Object.fromEntries(
    Object.values(planned).flatMap((one) => {
      const piece = cameFor(came, jobId, one)
      return piece ? [[`${one.moduleId} ${one.unit}`, piece.serialNumber]] : []
    }),
  )
}

function removedBy(found: Assignment, planned: Assignment): string[] {
  const kept = new Set(Object.values(planned).map(({ moduleId }) => moduleId))
  return [...new Set(Object.values(found).map(({ moduleId }) => moduleId))].filter(
    (id) => !kept.has(id),
  )
}

async function takeFromShelf(tx: Transaction, jobId: string, planned: Assignment): Promise<void> {
  const ids = Object.values(planned).map(({ moduleId }) => moduleId)
  if (ids.length === 0) return
  const came = await piecesFor(tx, jobId)
  const instead = Object.values(planned).flatMap((one) => cameFor(came, jobId, one) ?? [])
  const placed = await tx.select().from(modules).where(inArray(modules.id, ids))
  const rows = [...placed, ...instead]
  for (const { id, version, source, module, fittedJobId, bad } of rows) {
    if (source !== 'shelf' || bad) continue
    if (fittedJobId !== null && fittedJobId !== jobId) {
      throw new HttpError(409, 'gone', `${module.article} has left the shelf with another job.`)
    }
    await change(tx, moduleKind, id, { version, fittedJobId: jobId })
  }
}

async function putOnShelf(tx: Transaction, fit: Fit, removed: readonly string[]): Promise<void> {
  for (const id of removed) {
    const goes = fit.removed[id]
    const { module, bad, supplier, invoice, warrantyUntil, serialNumber } = await find(
      tx,
      moduleKind,
      id,
    )
    if (!goes) {
      throw new HttpError(
        409,
        'open_removed',
        `Say where ${module.article} goes: to the customer, the shelf or recycling.`,
      )
    }
    if (goes.to !== 'shelf') continue
    await create(tx, moduleKind, {
      id: goes.shelfId,
      source: 'shelf',
      module: { ...module, kit: null },
      price: bad ? null : goes.price,
      bad,
      supplier,
      invoice,
      warrantyUntil,
      note: '',
      condition: 'used',
      testedOn: null,
      serialNumber: fit.serials[`${id} 0`] ?? serialNumber,
      fromJobId: fit.jobId,
    })
  }
}

/** Fields that a fitting is finished with: the moment, and the slots as it leaves them. */
export async function finishedNow(
  tx: Transaction,
  jobId: string,
): Promise<{ finishedAt: string; fittedAs: Assignment }> {
  const { planned } = await plannedFor(tx, jobId)
  return { finishedAt: new Date().toISOString(), fittedAs: planned }
}

/** Slots as they were before the bad modules of a fitting were replaced. */
export async function slotsBefore(tx: Transaction, fit: Fit): Promise<Assignment> {
  const { job, planned } = await plannedFor(tx, fit.jobId)
  return startOfRound(job.found, planned, fit)
}

/**
 * Refuses the end of a fitting while a part of its plan is not here.
 * @throws HttpError 409 `not_here` with the slots.
 */
export async function refuseAbsent(tx: Transaction, fit: Fit): Promise<void> {
  const { job, planned } = await plannedFor(tx, fit.jobId)
  const ids = Object.values(planned).map(({ moduleId }) => moduleId)
  const placed = ids.length > 0 ? await listed(tx, moduleKind, inArray(modules.id, ids)) : []
  const came = await piecesFor(tx, fit.jobId)
  const absent = plannedParts({
    jobId: fit.jobId,
    found: job.found,
    planned,
    pieces: new Map([...placed, ...came].map((piece) => [piece.id, piece])),
    units: await jobUnits(tx, fit.jobId),
    fit,
  }).filter((part) => !isHere(part))
  if (absent.length === 0) return
  const slots = absent.map(({ slot }) => slot).join(', ')
  const message = `Not here yet, or put aside as bad: the module for ${slots}.`
  throw new HttpError(409, 'not_here', message)
}

/** Brings the shop's pieces that a fitting replaced back from the job, put aside as bad. */
export async function putAside(tx: Transaction, { jobId, replaced }: Fit): Promise<void> {
  if (replaced.length === 0) return
  const came = await piecesFor(tx, jobId)
  for (const { moduleId, unit, serial, why, at, by } of replaced) {
    const [placed] = await listed(tx, moduleKind, eq(modules.id, moduleId))
    const piece = cameFor(came, jobId, { moduleId, unit }) ?? placed
    if (piece?.source !== 'shelf' || piece.bad) continue
    const serialNumber = piece.serialNumber || serial
    const bad = { at, by, why: why.slice(0, 500) }
    await change(tx, moduleKind, piece.id, {
      version: piece.version,
      fittedJobId: null,
      serialNumber,
      bad,
    })
  }
}

/** Takes a job that was at the proof back to the bench. */
export async function takeUpAgain(tx: Transaction, jobId: string): Promise<void> {
  const { id, version, stage } = await find(tx, jobKind, jobId)
  if (stage === 'verify' || stage === 'handover') {
    await change(tx, jobKind, id, { version, stage: 'fit' })
  }
}
