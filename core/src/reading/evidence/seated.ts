import type { Machine } from '../../things/model'
import { modulesRead, type Observation, type Subject } from '../facts'
import { isSoldered } from '../inputs'
import { seatingOf } from '../seats'
import type { EvidenceCase, Input } from './case'
import { emptyKey } from './emptyKey'

/** Places of the modules of all inputs, as far as anything tells. */
export interface Seats {
  /** Modules by slot: what each input, and each piece of a kit, says of what is in it. */
  seated: Map<string, Subject[]>
  loose: Subject[]
  /** The slots that a module may be in, by its subject. */
  candidates: Map<string, string[]>
  /** Slots that a reading says are empty. */
  empty: Set<string>
  /** Slots of them that hold a module by its label or contents, and nobody has said which is true. */
  contested: string[]
}

/** The subject of a module before it has a slot: its input, and `key` names it there as `Input.seats` does. */
const looseSubject = (input: string, key: string): string => `${input} ${key}`

/** Finds the slots of modules. Nothing but the subject of an observation depends on it. */
export function seatAll({ inputs, machine, rulings }: EvidenceCase): Seats {
  const seated = new Map<string, Subject[]>()
  const empty = new Set<string>()
  const candidates = new Map<string, string[]>()
  const unseated: Subject[] = []
  const seat = (id: string, one: Subject) => seated.set(id, [...(seated.get(id) ?? []), one])
  for (const input of inputs) {
    const seating = seatingOf(input.reading.observations, machine)
    for (const id of seating.empty) empty.add(id)
    for (const { one, key, index } of modulesOf(input)) {
      const said = input.seats[key]
      if (said === null) continue
      const id = said ?? (key === String(index) ? seating.seats[index] : null)
      candidates.set(one.subject, seating.candidates[index] ?? [])
      if (id && machine.slots.some((slot) => slot.id === id)) seat(id, one)
      else unseated.push(one)
    }
  }
  const loose: Subject[] = []
  for (const one of unseated) {
    const id = likelySlot(one, unseated, seated, machine)
    if (id) seat(id, one)
    else loose.push(one)
  }
  const contested: string[] = []
  for (const id of empty) {
    const own = seated.get(id) ?? []
    // A report that shows the slot filled is another look at the machine.
    if (own.length === 0 || own.some(({ source }) => source === 'readout')) continue
    const isEmpty = Object.hasOwn(rulings, emptyKey(id)) ? rulings[emptyKey(id)]?.value : null
    if (isEmpty === true) {
      seated.delete(id)
      loose.push(...own)
    } else if (isEmpty === null) contested.push(id)
  }
  return { seated, loose, candidates, empty, contested }
}

/** The modules of an input that may be in slots; of a kit each piece, the first as `0`, the second as `0.1`. */
function modulesOf({ id, reading }: Input) {
  return modulesRead(reading.observations).flatMap((about, index) => {
    if (isSoldered(about)) return []
    const pieces = Math.min(about.said.kit?.size ?? 1, 8)
    return Array.from({ length: pieces }, (_, n) => {
      const key = n === 0 ? String(index) : `${index}.${n}`
      return { key, index, one: as(about, looseSubject(id, key), id) }
    })
  })
}

/** The same said of another subject. */
function as(about: Subject, subject: string, input: string): Subject {
  const observations = about.observations.map((one) => ({ ...one, subject, input }))
  return { ...about, subject, observations }
}

export const inputOf = ({ observations }: Subject): string => observations[0]?.input ?? ''

/** Observations of modules, each of the slot that it is in. */
export const inSlots = ({ seated }: Pick<Seats, 'seated'>): Observation[] =>
  [...seated].flatMap(([subject, own]) =>
    own.flatMap(({ observations }) => observations.map((one) => ({ ...one, subject }))),
  )

/**
 * The slot of the module that has the same serial number; else one of the slots with the same part number, where as
 * many modules have it as slots; the only slot there is.
 */
function likelySlot(
  one: Subject,
  unseated: readonly Subject[],
  seated: ReadonlyMap<string, Subject[]>,
  machine: Machine,
): string | null {
  const { said, source } = one
  const input = inputOf(one)
  // Two modules of one report are two; contents or a label beside it may be of one of them.
  const free = [...seated].filter(([, own]) =>
    own.every((other) => inputOf(other) !== input || other.source !== source),
  )
  const alike = (what: 'serial' | 'partNumber') => {
    const value = said[what]
    if (value === undefined) return []
    return free.filter(([, own]) => own.some((other) => other.said[what] === value))
  }
  const serial = alike('serial')
  if (serial.length === 1) return serial[0]?.[0] ?? null
  const { partNumber } = said
  const mates = unseated.filter(
    (other) => inputOf(other) === input && other.said.partNumber === partNumber,
  ).length
  const fellows = [...seated].filter(([, own]) =>
    own.some((other) => inputOf(other) !== input && other.said.partNumber === partNumber),
  ).length
  const part = alike('partNumber')
  if (part.length === 1 || (partNumber !== undefined && mates === fellows && part.length > 0)) {
    return part[0]?.[0] ?? null
  }
  const only = machine.slots.length === 1 ? machine.slots[0]?.id : undefined
  const fitting = source !== 'readout' || said.formFactor !== undefined
  const others = [...unseated, ...[...seated.values()].flat()].filter(
    (other) => other !== one && inputOf(other) === input,
  )
  return only !== undefined && others.length === 0 && fitting ? only : null
}
