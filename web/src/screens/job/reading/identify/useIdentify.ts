import {
  type Dispute,
  differencesOf,
  emptyKey,
  isOfMachine,
  type ModuleDifference,
  settled,
} from '@tembrix/core/reading/evidence'
import {
  modulesRead,
  type Reading,
  read,
  SYSTEM,
  saidOfSubject,
  textOfBytes,
} from '@tembrix/core/reading/inputs'
import { placeRead } from '@tembrix/core/shop/job'
import type { Source, SystemBits } from '@tembrix/core/things/model'
import { assign, type ReadingRecord, type Ruling } from '@tembrix/core/things/records'
import { changing, making, removing, type Write } from '../../../../base/data'
import { useTechnician } from '../../../../base/shell'
import { readingOf, remember, useJob } from '../../base/file'

type Kept = Pick<ReadingRecord, 'name' | 'text' | 'base64' | 'seats'> & { reading: Reading }

/** Actions in Identify: read an input, settle a contradiction, accept the readings. */
export function useIdentify() {
  const view = useJob()
  const [technician] = useTechnician()
  const { file, now, evidence, edit } = view

  function ruling(value: Ruling['value'], source: Source): Ruling {
    return { value, source, by: technician, at: new Date().toISOString() }
  }

  function place(differences: readonly ModuleDifference[]): void {
    let found = now.assignment
    const writes: Write[] = []
    for (const { slot, module, isNew } of differences) {
      const record = file.modules.find(({ id }) => id === now.assignment[slot]?.moduleId)
      if (!isNew && record) {
        const whole = { ...module, kit: record.module.kit }
        writes.push(changing('modules', record, { module: whole }))
        continue
      }
      const made = making('modules', { jobId: file.id, source: 'customer', module })
      writes.push(made)
      found = assign(found, slot, { moduleId: made.recordId, unit: 0 })
    }
    if (found !== now.assignment) writes.push(changing('jobs', file, { found }))
    edit.act('what was read', writes)
  }

  /** The writes that put what was read into slots that nothing is in. */
  function placing(inputs: readonly ReadingRecord[], rulings = file.rulings): Write[] {
    const { readings } = file
    const runsAt = now.evaluation.run?.dataRate ?? null
    const { modules, found } = placeRead(
      { machine: file.machine, rulings, readings, runsAt, decode: readingOf, ...now },
      inputs,
      () => crypto.randomUUID(),
    )
    const made = modules.map(({ id, module }) =>
      making('modules', { jobId: file.id, source: 'customer', module }, id),
    )
    return found ? [...made, changing('jobs', file, { found })] : []
  }

  /** Keeps inputs as they came, with the modules they put into slots, in one act. */
  function keep(inputs: readonly Kept[]): void {
    if (inputs.length === 0) return
    const at = new Date().toISOString()
    const records = inputs.map(({ reading, ...content }) => {
      const id = crypto.randomUUID()
      remember(id, reading)
      return {
        jobId: file.id,
        by: technician,
        id,
        version: 0,
        createdAt: at,
        updatedAt: at,
        ...content,
      }
    })
    const kept = records.map(({ version: _, createdAt: __, updatedAt: ___, id, ...fields }) =>
      making('readings', fields, id),
    )
    const bits = inputs.flatMap(({ reading }) => widthIn(reading)).at(-1)
    const system = bits && bits !== file.machine.machine.systemBits ? [saying(bits, 'readout')] : []
    edit.act('what was read', [...kept, ...placing(records), ...system])
  }

  /** The write that records the width of the system. */
  function saying(systemBits: SystemBits, source: Source): Write {
    const { machine, sources } = file.machine
    const origin = { source, note: '', by: technician, at: new Date().toISOString() }
    return changing('machines', file.machine, {
      machine: { ...machine, systemBits },
      sources: { ...sources, systemBits: origin },
    })
  }

  /** Reads a text, whose first module is in `slot` if somebody said so; returns what it gave, kept where that is anything. */
  function readText(name: string, text: string, slot: string | null = null): Reading {
    const reading = read(text)
    const seats: Record<string, string> =
      slot !== null && modulesRead(reading.observations).length === 1 ? { 0: slot } : {}
    if (reading.format !== 'unknown') keep([{ name, text, base64: null, seats, reading }])
    return reading
  }

  /** Reads files together; returns what each gave. */
  function readFiles(files: readonly { name: string; bytes: Uint8Array }[]): Reading[] {
    const inputs = files.map(({ name, bytes }) => {
      const reading = read(bytes)
      const text = reading.parts.length > 0 ? textOfBytes(bytes) : null
      return { name, text, base64: text === null ? base64Of(bytes) : null, seats: {}, reading }
    })
    keep(inputs.filter(({ reading }) => reading.format !== 'unknown'))
    return inputs.map(({ reading }) => reading)
  }

  /** Says which slots modules of a reading are in; null is none of this machine's. */
  function seat(input: string, seats: Readonly<Record<string, string | null>>): void {
    const record = file.readings.find((one) => one.id === input)
    if (!record) return
    const all = { ...record.seats, ...seats }
    const writes = placing([{ ...record, seats: all }])
    edit.act('the slot', [changing('readings', record, { seats: all }), ...writes])
  }

  return {
    readText,
    readFiles,
    place,
    seat,
    differences: differencesOf(evidence, now.placement),
    drop: (record: ReadingRecord) => edit.act('', [removing('readings', record)]),
    sayEmpty: (slots: readonly string[]) => {
      const said = slots.map((slot) => [emptyKey(slot), ruling(true, 'opened')])
      edit.step('jobs', file, { rulings: { ...file.rulings, ...Object.fromEntries(said) } })
    },
    settle: (
      { key, subject }: Pick<Dispute, 'key' | 'subject'>,
      value: Ruling['value'],
      source: Source,
    ) => {
      const made = ruling(value, source)
      const rulings = { ...file.rulings, [key]: made }
      // A module that was kept out of a slot said to be empty goes into it once it is not.
      const placed = key === emptyKey(subject) ? placing([], rulings) : []
      const [found] = placed.flatMap((one) =>
        one.action === 'change' && one.collection === 'jobs' ? [one.fields] : [],
      )
      const writes = [
        ...placed.filter(({ collection }) => collection !== 'jobs'),
        changing('jobs', file, { rulings, ...found }),
      ]
      if (isOfMachine(key)) {
        const { machine, sources } = file.machine
        const change = settled({ machine, sources }, key, made, evidence)
        writes.push(changing('machines', file.machine, change))
      }
      edit.act('the ruling', writes)
    },
    saySystem: (bits: SystemBits) => edit.act('the width of the system', [saying(bits, 'typed')]),
    reopen: (key: string) => {
      const { [key]: _, ...rulings } = file.rulings
      edit.step('jobs', file, { rulings })
    },
  }
}

/** The width of the system that a reading tells. */
function widthIn({ observations }: Reading): SystemBits[] {
  const { systemBits } = saidOfSubject(observations, SYSTEM)
  return systemBits ? [systemBits] : []
}

function base64Of(bytes: Uint8Array): string {
  const parts: string[] = []
  for (let from = 0; from < bytes.length; from += 8192) {
    parts.push(String.fromCharCode(...bytes.subarray(from, from + 8192)))
  }
  return btoa(parts.join(''))
}
