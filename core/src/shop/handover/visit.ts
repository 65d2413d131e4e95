import { type ActWrite, type Assignment, type JobFile, NOTHING_SIZED } from '../../things/records'
import type { Situation } from '../job'
import { partsFitted, type ToFitted } from './parts'

/**
 * The writes that begin a new visit for a job: the same customer and machine, with what was left in its
 * slots as the customer's own modules. `newId` gives each new record its id.
 */
export function newVisit(
  file: Pick<JobFile, 'id' | 'customerId' | 'machineId' | 'uses' | 'sizing' | 'fits'>,
  after: Situation,
  pieces: ToFitted['pieces'],
  newId: () => string,
): { jobId: string; writes: ActWrite[] } {
  const jobId = newId()
  const work = { jobId: file.id, now: after, planned: after, pieces, fit: file.fits[0] }
  const parts = partsFitted(work)
  const found: Assignment = {}
  const modules = parts.map(({ slot, module, serial, makerUntil, supplier, invoice }): ActWrite => {
    const id = newId()
    found[slot] = { moduleId: id, unit: 0 }
    const fields = {
      jobId,
      source: 'customer',
      module,
      serialNumber: serial,
      warrantyUntil: makerUntil,
      supplier,
      invoice,
    }
    return { action: 'create', collection: 'modules', id, fields }
  })
  const fields = {
    customer: { id: file.customerId },
    machine: { id: file.machineId },
    uses: file.uses,
    sizing: { ...NOTHING_SIZED, uses: file.sizing.uses },
    stage: 'intake',
    followsId: file.id,
  }
  return {
    jobId,
    writes: [
      { action: 'create', collection: 'jobs', id: jobId, fields },
      ...modules,
      { action: 'change', collection: 'jobs', id: jobId, version: 1, fields: { found } },
    ],
  }
}
