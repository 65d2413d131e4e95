import { type Machine, type Trust, trustIn } from '../model'
import {
  factsOf,
  isSoldered,
  type ModuleFigures,
  type ModuleReading,
  type Observed,
  type Reading,
} from '../readings'
import type { Rulings, Sourced, Sources } from '../records'
import { type Claim, type Entry, entryOf } from './claims'
import { type Completed, complete } from './complete'
import { type Dispute, disputesIn } from './disputes'
import { seatsOf } from './seats'
import { type Unknown, unknownIn } from './unknown'

/** A reading of the job: what it gave, by whom and when, and the slots a person gave its modules. */
export interface Input {
  id: string
  name: string
  by: string
  at: string
  reading: Reading
  seats: Readonly<Record<string, string | null>>
}

/** All that is known on a job: the record with its sources, what was read, and what was settled. */
export interface Case {
  machine: Machine
  sources: Sources
  inputs: readonly Input[]
  rulings: Rulings
  /** What the machine as found should run at (MT/s), so that a lower rate that this explains is no contradiction. */
  runsAt: number | null
}

export interface SlotEvidence {
  slot: string
  entries: Entry[]
  /** The module as all of it together says; null where that makes none yet. */
  completed: Completed | null
  observed: (Observed & { input: string }) | null
  verified: boolean
}

/** A module that was read without saying which slot it is in. */
export interface Loose {
  input: string
  index: number
  reading: ModuleReading
}

export interface Evidence {
  machine: Entry[]
  slots: SlotEvidence[]
  loose: Loose[]
  soldered: ModuleReading[]
  disputes: Dispute[]
  unknown: Unknown[]
}

interface Seated {
  input: Input
  index: number
  reading: ModuleReading
}

/**
 * Merges everything said about a machine and its modules. For each thing the best trusted source
 * counts and the others stay visible; what contradicts is a dispute with the ways to settle it; what
 * is still unknown is listed in the order worth finding out.
 */
export function weigh(given: Case): Evidence {
  const { machine, inputs, rulings } = given
  const { seated, loose } = seatAll(inputs, machine)
  const soldered = solderedIn(inputs)
  const slots = machine.slots.flatMap(({ id }) => {
    const own = seated.get(id)
    return own ? [slotEvidence(id, own, given)] : []
  })
  const entries = machineEntries(given, seated)
  const disputes = disputesIn({ machine: entries, slots, inputs, rulings, runsAt: given.runsAt })
  const unknown = unknownIn({ given, entries, slots, loose })
  return { machine: entries, slots, loose, soldered, disputes, unknown }
}

function seatAll(inputs: readonly Input[], machine: Machine) {
  const seated = new Map<string, Seated[]>()
  const unseated: Seated[] = []
  for (const input of inputs) {
    const seats = seatsOf(input.reading, machine)
    for (const [index, reading] of input.reading.modules.entries()) {
      if (isSoldered(reading)) continue
      const said = input.seats[String(index)]
      if (said === null) continue
      const seat = said ?? seats[index]
      const one = { input, index, reading }
      if (seat && machine.slots.some(({ id }) => id === seat)) {
        seated.set(seat, [...(seated.get(seat) ?? []), one])
      } else unseated.push(one)
    }
  }
  const loose: Loose[] = []
  for (const one of unseated) {
    const seat = likelySeat(one, seated, machine)
    if (seat) seated.set(seat, [...(seated.get(seat) ?? []), one])
    else loose.push({ input: one.input.id, index: one.index, reading: one.reading })
  }
  return { seated, loose }
}

/** The slot of the module that has the same serial number, else of the only one with the same part number; the only slot there is. */
function likelySeat(
  { input, reading }: Seated,
  seated: ReadonlyMap<string, Seated[]>,
  machine: Machine,
): string | null {
  const free = [...seated].filter(([, own]) => own.every((other) => other.input !== input))
  const alike = (what: 'serial' | 'partNumber') => {
    const value = reading.module[what]
    if (value === undefined) return []
    return free.filter(([, own]) => own.some((other) => other.reading.module[what] === value))
  }
  const serial = alike('serial')
  if (serial.length === 1) return serial[0]?.[0] ?? null
  const part = alike('partNumber')
  if (part.length === 1) return part[0]?.[0] ?? null
  const only = machine.slots.length === 1 ? machine.slots[0]?.id : undefined
  return only !== undefined && input.reading.modules.length === 1 ? only : null
}

function solderedIn(inputs: readonly Input[]): ModuleReading[] {
  for (const { reading } of inputs) {
    const found = reading.modules.filter(isSoldered)
    if (found.length > 0) return found
  }
  return []
}

function claim(
  { id, name, by, at }: Input,
  value: unknown,
  of: Pick<Claim, 'source' | 'trust' | 'where'>,
): Claim {
  return { value, source: of.source, trust: of.trust, where: of.where, input: id, name, by, at }
}

function slotEvidence(slot: string, own: readonly Seated[], given: Case): SlotEvidence {
  const claims = new Map<string, Claim[]>()
  for (const { input, reading } of own) {
    for (const fact of factsOf(reading)) {
      claims.set(fact.what, [...(claims.get(fact.what) ?? []), claim(input, fact.value, fact)])
    }
  }
  const entries = [...claims].map(([what, all]) => entryOf(slot, what, all, given.rulings))
  const figures = Object.fromEntries(entries.map(({ what, value }) => [what, value]))
  const seen = own.find(({ reading }) => reading.observed)
  return {
    slot,
    entries,
    completed: complete(figures as Partial<ModuleFigures>, given.machine),
    observed: seen?.reading.observed ? { ...seen.reading.observed, input: seen.input.id } : null,
    verified: own.some(({ reading }) => reading.verified),
  }
}

function machineEntries(
  { machine, sources, inputs, rulings }: Case,
  seated: ReadonlyMap<string, Seated[]>,
): Entry[] {
  const recorded = (what: Sourced, value: unknown): Claim => {
    const origin = sources[what]
    const source = origin?.source ?? 'start'
    return {
      value,
      source,
      trust: trustIn(source, 'machine'),
      input: null,
      name: 'the record',
      where: null,
      by: origin?.by ?? '',
      at: origin?.at ?? null,
    }
  }
  const read = (of: (input: Input) => { value: unknown; where: Claim['where']; trust?: Trust }[]) =>
    inputs.flatMap((input) =>
      of(input).map(({ value, where, trust = trustIn('readout', 'machine') }) =>
        claim(input, value, { source: 'readout', trust, where }),
      ),
    )
  const maximum = ({ reading: { machine: of } }: Input) =>
    of?.maximumGiB === undefined
      ? []
      : [{ value: of.maximumGiB, where: of.places.maximumGiB ?? null }]
  const fitted = [...seated.values()].flat()
  const ofModules = (what: 'generation' | 'formFactor') =>
    fitted.flatMap(({ input, reading }) =>
      factsOf(reading).flatMap((fact) =>
        fact.what === what ? [claim(input, fact.value, fact)] : [],
      ),
    )
  const solderedClaims = read(({ reading }) => {
    const banks = reading.modules.filter(isSoldered)
    // A table lists what is soldered as well, so one without any says that there is nothing.
    if (banks.length === 0 && !reading.machine?.slots.length) return []
    const value = banks.reduce((sum, { module }) => sum + (module.capacityGiB ?? 0), 0)
    return [{ value, where: banks[0]?.where ?? null, trust: trustIn('readout', 'module') }]
  })
  const recordedSoldered = machine.soldered.reduce((sum, { module }) => sum + module.capacityGiB, 0)
  const entry = (what: string, claims: Claim[]) => entryOf('machine', what, claims, rulings)
  return [
    entry('slotCount', [
      recorded('slots', machine.slots.length),
      ...read(({ reading }) => slotCounts(reading)),
    ]),
    entry('solderedGiB', [recorded('soldered', recordedSoldered), ...solderedClaims]),
    entry('maximumGiB', [recorded('totalGiB', machine.limits.totalGiB), ...read(maximum)]),
    entry('generation', [recorded('generation', machine.generation), ...ofModules('generation')]),
    entry('formFactor', [recorded('formFactor', machine.formFactor), ...ofModules('formFactor')]),
  ]
}

/** How many slots a readout claims beside what is soldered; it may say one number and list another. */
function slotCounts({ machine, modules }: Reading) {
  if (!machine) return []
  const listed = machine.slots.length
  const soldered = modules.filter(isSoldered).length
  const claimed =
    machine.slotCount === undefined ? undefined : Math.max(0, machine.slotCount - soldered)
  return [
    ...(claimed === undefined ? [] : [{ value: claimed, where: machine.places.slotCount ?? null }]),
    ...(listed > 0 && claimed !== undefined && listed !== claimed
      ? [{ value: listed, where: null }]
      : []),
  ]
}
