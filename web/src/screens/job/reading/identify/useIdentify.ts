import {
  type Dispute,
  differencesOf,
  emptyKey,
  isHeld,
  isOfMachine,
  type ModuleDifference,
  settled,
} from '@tembrix/core/reading/evidence'
import { type Reading, read, textOfBytes } from '@tembrix/core/reading/inputs'
import type { Source } from '@tembrix/core/things/model'
import { assign, type ReadingRecord, type Ruling } from '@tembrix/core/things/records'
import { useEffect } from 'react'
import { changing, making, removing, type Write } from '../../../../base/data'
import { useTechnician } from '../../../../base/shell'
import { remember, useJob } from '../../base/file'

/** Jobs in which something was just read, so that what it says goes into slots that nothing is in. */
const justRead = new Set<string>()

/** What a person can do in Identify: read something, settle a contradiction, take over what was read. */
export function useIdentify() {
  const view = useJob()
  const [technician] = useTechnician()
  const { file, machine, now, evidence, edit } = view

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

  /** Keeps a reading as it came; `slot` is where its first module is, if somebody said so. */
  function keep(
    name: string,
    content: { text: string } | { base64: string },
    reading: Reading,
    slot: string | null,
  ): void {
    const id = crypto.randomUUID()
    remember(id, reading)
    justRead.add(file.id)
    const seats: Record<string, string> = slot === null ? {} : { 0: slot }
    const fields = { jobId: file.id, name, by: technician, seats, ...content }
    edit.act('', [making('readings', fields, id)])
  }

  /** Reads a text; returns what it gave, kept where that is anything. */
  function readText(name: string, text: string, slot: string | null = null): Reading {
    const reading = read(text)
    if (reading.format !== 'unknown') {
      keep(name, { text }, reading, reading.modules.length === 1 ? slot : null)
    }
    return reading
  }

  function readBytes(name: string, bytes: Uint8Array): Reading {
    const reading = read(bytes)
    const text = reading.parts.length > 0 ? textOfBytes(bytes) : null
    if (reading.format !== 'unknown') {
      keep(name, text === null ? { base64: base64Of(bytes) } : { text }, reading, null)
    }
    return reading
  }

  /** Says which slots modules of a reading are in; null is none of this machine's. */
  function seat(input: string, seats: Readonly<Record<string, string | null>>): void {
    const record = file.readings.find((one) => one.id === input)
    if (!record) return
    justRead.add(file.id)
    edit.step('readings', record, { seats: { ...record.seats, ...seats } })
  }

  return {
    readText,
    readBytes,
    /** Something was read that came by itself. */
    arrived: () => void justRead.add(file.id),
    place,
    seat,
    differences: differencesOf(evidence, now.placement),
    drop: (record: ReadingRecord) => edit.act('', [removing('readings', record)]),
    sayEmpty: (slots: readonly string[]) => {
      const said = slots.map((slot) => [emptyKey(slot), ruling(true, 'opened')])
      edit.step('jobs', file, { rulings: { ...file.rulings, ...Object.fromEntries(said) } })
    },
    settle: ({ key }: Pick<Dispute, 'key'>, value: Ruling['value'], source: Source) => {
      const made = ruling(value, source)
      const writes = [changing('jobs', file, { rulings: { ...file.rulings, [key]: made } })]
      if (isOfMachine(key)) {
        const { sources } = file.machine
        const change = settled({ machine, sources }, key, made, evidence)
        writes.push(changing('machines', file.machine, change))
      }
      edit.act('the ruling', writes)
    },
    reopen: (key: string) => {
      const { [key]: _, ...rulings } = file.rulings
      edit.step('jobs', file, { rulings })
    },
  }
}

/** Puts what was just read into the slots that nothing is in, as soon as it has been weighed. */
export function useFillFromReadings(): void {
  const { file, evidence } = useJob()
  const { place, differences } = useIdentify()
  useEffect(() => {
    if (!justRead.delete(file.id) || isHeld(evidence)) return
    place(differences.filter(({ isNew }) => isNew))
  })
}

function base64Of(bytes: Uint8Array): string {
  const parts: string[] = []
  for (let from = 0; from < bytes.length; from += 8192) {
    parts.push(String.fromCharCode(...bytes.subarray(from, from + 8192)))
  }
  return btoa(parts.join(''))
}
