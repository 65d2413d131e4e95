import type { Machine } from '../model'
import type { ModelRecord, Sources } from '../records'
import { STARTING_MACHINES } from './starting'

/** What a new machine's record can start from. */
export interface StartingPoint {
  id: string
  machine: Machine
  modelId: string | null
  sources: Sources
}

/** The shop's own models, then the general kinds. */
export function startingPoints(models: readonly ModelRecord[]): StartingPoint[] {
  return [
    ...models.map(({ id, machine, sources }) => ({ id, machine, modelId: id, sources })),
    ...STARTING_MACHINES.map(({ id, machine }) => ({ id, machine, modelId: null, sources: {} })),
  ]
}
