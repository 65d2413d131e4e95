import {
  agree,
  type Dispute,
  type Evidence,
  isOfMachine,
  type SlotEvidence,
  settled,
  weigh,
} from '@tembrix/core/evidence'
import type { Module, Source } from '@tembrix/core/model'
import { type Reading, read, textOfBytes } from '@tembrix/core/readings'
import { type Assignment, assign, type ModuleRecord, type Ruling } from '@tembrix/core/records'
import { created, removed, useAppDispatch } from '../../data'
import { useTechnician } from '../../shell'
import { inputOf, type JobView, useJob } from '../file'

/** A module that the evidence makes otherwise than the record has it. */
export interface Difference {
  slot: string
  module: Module
  assumed: string[]
  /** The record's piece in that slot; none where it is empty. */
  record: ModuleRecord | null
  /** The figures that differ. */
  what: string[]
}

const COMPARED = [
  'capacityGiB',
  'generation',
  'formFactor',
  'buffering',
  'ecc',
  'ranks',
  'deviceWidth',
  'voltages',
  'speeds',
] as const

/** What the evidence would change on the board. */
export function differencesOf({ evidence, file, now }: JobView): Difference[] {
  return differing(evidence, file.modules, now.assignment)
}

function differing(
  { slots }: Pick<Evidence, 'slots'>,
  modules: readonly ModuleRecord[],
  found: Assignment,
): Difference[] {
  return slots.flatMap(({ slot, completed }: SlotEvidence) => {
    if (!completed) return []
    const record = modules.find(({ id }) => id === found[slot]?.moduleId) ?? null
    const { module, assumed } = completed
    const what = COMPARED.filter(
      (name) =>
        !record || (!assumed.includes(name) && !agree(name, record.module[name], module[name])),
    )
    return what.length > 0 ? [{ slot, module, assumed, record, what: [...what] }] : []
  })
}

/** What a person can do in Identify: read something, settle a contradiction, take over what was read. */
export function useIdentify() {
  const view = useJob()
  const dispatch = useAppDispatch()
  const [technician] = useTechnician()
  const { file, machine, now, evidence, edit } = view
  const target = (recordId: string) => ({
    jobId: file.id,
    collection: 'readings' as const,
    recordId,
  })

  function ruling(value: Ruling['value'], source: Source): Ruling {
    return { value, source, by: technician, at: new Date().toISOString() }
  }

  function place(differences: readonly Difference[]): void {
    let found = now.assignment
    for (const { slot, module, record } of differences) {
      if (record) {
        edit.step('modules', record, { module: { ...module, kit: record.module.kit } })
        continue
      }
      const id = crypto.randomUUID()
      dispatch(
        created(
          { jobId: file.id, collection: 'modules', recordId: id },
          { jobId: file.id, source: 'customer', module },
        ),
      )
      found = assign(found, slot, { moduleId: id, unit: 0 })
    }
    if (found !== now.assignment) edit.step('jobs', file, { found })
  }

  /** Keeps a reading; where nothing is on the board yet, what it says goes there at once. */
  function keep(name: string, content: { text: string } | { base64: string }, reading: Reading) {
    const id = crypto.randomUUID()
    dispatch(created(target(id), { jobId: file.id, name, by: technician, ...content }))
    if (Object.keys(now.assignment).length > 0) return
    const fresh = { id, name, by: technician, at: '', seats: {}, reading }
    const inputs = [...file.readings.map(inputOf), fresh]
    const { sources } = file.machine
    const weighed = weigh({ machine, sources, inputs, rulings: file.rulings, runsAt: null })
    const held = weighed.disputes.some(({ code }) => code === 'MODULE_NOT_OF_MACHINE')
    if (!held) place(differing(weighed, [], {}))
  }

  /** Reads a text; returns what it gave, kept where that is anything. */
  function readText(name: string, text: string): Reading {
    const reading = read(text)
    if (reading.format !== 'unknown') keep(name, { text }, reading)
    return reading
  }

  function readBytes(name: string, bytes: Uint8Array): Reading {
    const reading = read(bytes)
    const binary = reading.format === 'smbios' || reading.format.startsWith('spd')
    const text = binary ? null : textOfBytes(bytes)
    if (reading.format !== 'unknown') {
      keep(name, text === null ? { base64: base64Of(bytes) } : { text }, reading)
    }
    return reading
  }

  return {
    readText,
    readBytes,
    place,
    drop: (id: string, version: number) => void dispatch(removed({ ...target(id), version })),
    seat: (id: string, index: number, slot: string | null) => {
      const record = file.readings.find((one) => one.id === id)
      if (record) edit.step('readings', record, { seats: { ...record.seats, [index]: slot } })
    },
    settle: ({ key }: Pick<Dispute, 'key'>, value: Ruling['value'], source: Source) => {
      const made = ruling(value, source)
      edit.step('jobs', file, { rulings: { ...file.rulings, [key]: made } })
      if (!isOfMachine(key)) return
      const { sources } = file.machine
      edit.step('machines', file.machine, settled({ machine, sources }, key, made, evidence))
    },
    reopen: (key: string) => {
      const { [key]: _, ...rulings } = file.rulings
      edit.step('jobs', file, { rulings })
    },
  }
}

function base64Of(bytes: Uint8Array): string {
  const parts: string[] = []
  for (let from = 0; from < bytes.length; from += 8192) {
    parts.push(String.fromCharCode(...bytes.subarray(from, from + 8192)))
  }
  return btoa(parts.join(''))
}
