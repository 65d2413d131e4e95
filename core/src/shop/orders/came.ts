import type { Assigned, ModuleRecord } from '../../things/records'

type Standing = Pick<ModuleRecord, 'standsFor'>

/** The piece that was ordered for this unit of a supplier's module in a job's plan; undefined where none has come. */
export const cameFor = <P extends Standing>(
  pieces: Iterable<P>,
  jobId: string,
  { moduleId, unit }: Assigned,
): P | undefined => {
  for (const piece of pieces) {
    const { standsFor } = piece
    const isFor = standsFor?.moduleId === moduleId && standsFor.unit === unit
    if (isFor && standsFor.jobId === jobId) return piece
  }
  return undefined
}
