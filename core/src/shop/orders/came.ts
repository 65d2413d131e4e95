import type { Assigned, ModuleRecord } from '../../things/records'

type Standing = Pick<ModuleRecord, 'orderedFor'>

/** The piece that was ordered for this unit of a supplier's module in a job's plan; undefined where none has come. */
export const cameFor = <P extends Standing>(
  pieces: Iterable<P>,
  jobId: string,
  { moduleId, unit }: Assigned,
): P | undefined => {
  for (const piece of pieces) {
    const { orderedFor } = piece
    const isFor = orderedFor?.moduleId === moduleId && orderedFor.unit === unit
    if (isFor && orderedFor.jobId === jobId) return piece
  }
  return undefined
}
