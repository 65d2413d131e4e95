import type { Assignment } from '@tembrix/core/things/records'
import { inArray } from 'drizzle-orm'
import { modules, type Transaction } from '../../base/database'
import { type FieldFault, invalid } from '../../base/http'
import { find, jobKind, machineKind } from '../../things/store'

/**
 * Refuses an assignment to a job's slots that names a slot the machine does not have, a module that
 * is not there for this job, or one piece twice. `field` is where it stands in the request.
 */
export async function checkAssignment(
  tx: Transaction,
  jobId: string,
  field: string,
  assignment: Assignment,
): Promise<void> {
  const job = await find(tx, jobKind, jobId)
  const { machine } = await find(tx, machineKind, job.machineId)
  const slots = new Set(machine.slots.map(({ id }) => id))
  const ids = Object.values(assignment).map(({ moduleId }) => moduleId)
  const rows = ids.length > 0 ? await tx.select().from(modules).where(inArray(modules.id, ids)) : []
  const known = new Map(rows.map((row) => [row.id, row]))

  const faults: FieldFault[] = []
  const seen = new Set<string>()
  for (const [slot, { moduleId, unit }] of Object.entries(assignment)) {
    const path = `${field}.${slot}`
    const piece = known.get(moduleId)
    if (!slots.has(slot)) faults.push({ path, message: `The machine has no slot ${slot}.` })
    if (!piece || (piece.jobId !== null && piece.jobId !== jobId)) {
      faults.push({ path: `${path}.moduleId`, message: 'This job has no such module.' })
    } else if ((piece.fittedJobId !== null && piece.fittedJobId !== jobId) || piece.returnId) {
      faults.push({ path: `${path}.moduleId`, message: 'This piece has left the shelf.' })
    } else if (piece.bad && piece.source === 'shelf' && field === 'placement') {
      faults.push({ path: `${path}.moduleId`, message: 'This piece is put aside as bad.' })
    } else if (unit > 0 && piece.source !== 'supplier') {
      faults.push({ path: `${path}.unit`, message: 'There is one of this module.' })
    }
    const key = `${moduleId} ${unit}`
    if (seen.has(key)) faults.push({ path, message: 'This piece is in another slot already.' })
    seen.add(key)
  }
  if (faults.length > 0) throw invalid(faults)
}
