import { type Evidence, isHeld, weigh } from '../../reading/evidence'
import type { Reading } from '../../reading/inputs'
import type { Module, Placement } from '../../things/model'
import { type Assignment, assign, type JobFile, type ReadingRecord } from '../../things/records'

/** All that the evidence of a job is weighed from. */
export interface ToWeigh {
  machine: Pick<JobFile['machine'], 'machine' | 'sources'>
  rulings: JobFile['rulings']
  readings: readonly ReadingRecord[]
  /** Contents of the slots of the board as found, and the rate they should run at, MT/s. */
  assignment: Assignment
  runsAt: number | null
  /** Decodes a stored reading. */
  decode: (record: ReadingRecord) => Reading
}

/** Everything known about a job's machine, weighed against the board as found. */
export function evidenceOf(job: ToWeigh): Evidence {
  const { rulings, readings, assignment, runsAt, decode } = job
  const inputs = readings.map((record) => {
    const { id, seats } = record
    return { id, seats, reading: decode(record) }
  })
  return weigh({ ...job.machine, inputs, rulings, filled: Object.keys(assignment), runsAt })
}

/** New modules of a job that were read, and its slots with them; `found` is null where none is placed. */
export interface PlacedRead {
  modules: { id: string; module: Module }[]
  found: Assignment | null
}

/**
 * The modules that inputs put into slots that nothing is in: inputs just read, or one whose seats a person gave. They
 * are stored in the same act as the inputs. None where modules were read that do not fit the machine's record, and never
 * in place of one on the board, whose modules by slot are `placement`.
 */
export function placeRead(
  job: ToWeigh & { placement: Placement },
  inputs: readonly ReadingRecord[],
  newId: () => string,
): PlacedRead {
  const readings = new Map([...job.readings, ...inputs].map((one) => [one.id, one]))
  const evidence = evidenceOf({ ...job, readings: [...readings.values()] })
  const added = isHeld(evidence)
    ? []
    : evidence.slots.flatMap(({ slot, made }) =>
        made && !job.placement[slot] && !evidence.contested.includes(slot)
          ? [{ id: newId(), slot, module: made.module }]
          : [],
      )
  const found = added.reduce(
    (all, { slot, id }) => assign(all, slot, { moduleId: id, unit: 0 }),
    job.assignment,
  )
  const modules = added.map(({ id, module }) => ({ id, module }))
  return { modules, found: added.length > 0 ? found : null }
}
