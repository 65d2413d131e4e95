import { type Machine, standardStep, type Trust, trustIn } from '../../things/model'
import type { Sourced } from '../../things/records'
import {
  type Fact,
  factsOf,
  isSoldered,
  type ModuleFigures,
  type ModuleReading,
  mayBeSoldered,
  type Observed,
  plausibleRate,
  type Reading,
  type SystemReading,
} from '../inputs'
import { letterAndNumber, likeness, seatingOf } from '../seats'
import type {
  Evidence,
  EvidenceCase,
  Input,
  Loose,
  SeenRunning,
  SlotEvidence,
  SlotQuestion,
  SlotState,
} from './case'
import { type Belief, type Claim, entryOf } from './claims'
import { type Completed, complete } from './complete'
import { disputesIn } from './disputes'
import { emptyKey } from './emptyKey'
import { unknownIn } from './unknown'

/** A piece of a reading: one module, or one of a kit's. */
interface Piece {
  input: Input
  key: string
  reading: ModuleReading
  candidates: string[]
}

interface Seats {
  seated: Map<string, Piece[]>
  loose: Piece[]
  /** Slots that a reading says are empty. */
  empty: Set<string>
  /** Slots of them that hold a module by its label or contents, and nobody has said which is true. */
  contested: string[]
}

/**
 * Merges everything said about a machine and its modules. For each thing the best trusted source
 * counts and the others stay visible; what contradicts is a dispute with the ways to settle it; what
 * cannot be told is a question; what is still unknown is listed in the order worth finding out.
 */
export function weigh(given: EvidenceCase): Evidence {
  const { machine, inputs } = given
  const seats = seatAll(given)
  const soldered = solderedIn(inputs)
  const slots = machine.slots.flatMap(({ id }) => {
    const own = seats.seated.get(id)
    return own ? [slotEvidence(id, own, given)] : []
  })
  const states = statesOf(given, seats)
  const loose = seats.loose.map((one) => looseOf(one, given, states))
  // What a running machine reports is in it, whichever slot it is in.
  const fitted = [
    ...[...seats.seated.values()].flat(),
    ...seats.loose.filter(({ reading }) => reading.source === 'readout'),
  ]
  const entries = machineEntries(given, fitted)
  const { contested } = seats
  const known = { given, entries, slots, loose, states, contested }
  return {
    machine: entries,
    slots,
    states,
    contested: seats.contested,
    loose,
    questions: questionsOf(loose),
    soldered,
    lettering: letteringIn(inputs),
    system: systemIn(inputs),
    disputes: disputesIn(known),
    unknown: unknownIn(known),
  }
}

/** Slots that nobody has looked into. */
export function unseenSlots({ states }: Pick<Evidence, 'states'>): string[] {
  return Object.keys(states).filter((id) => states[id] === 'unknown')
}

/**
 * What is known of each slot. Where nothing was read, the board as somebody drew it is what was found,
 * empty slots too; a report that does not mention a slot says nothing of it.
 */
function statesOf(
  { machine, rulings, filled = [] }: EvidenceCase,
  { seated, loose, empty }: Seats,
) {
  const drawn = filled.length > 0 && seated.size === 0 && loose.length === 0
  const stateOf = (id: string): SlotState => {
    if (seated.has(id) || filled.includes(id)) return 'filled'
    const said = Object.hasOwn(rulings, emptyKey(id)) && rulings[emptyKey(id)]?.value === true
    return said || drawn || empty.has(id) ? 'empty' : 'unknown'
  }
  return Object.fromEntries(machine.slots.map(({ id }) => [id, stateOf(id)]))
}

function seatAll({ inputs, machine, rulings }: EvidenceCase): Seats {
  const seated = new Map<string, Piece[]>()
  const empty = new Set<string>()
  const unseated: Piece[] = []
  const seat = (id: string, piece: Piece) => seated.set(id, [...(seated.get(id) ?? []), piece])
  for (const input of inputs) {
    const seating = seatingOf(input.reading, machine)
    for (const id of seating.empty) empty.add(id)
    input.reading.modules.forEach((reading, index) => {
      if (isSoldered(reading)) return
      for (const key of keysOf(reading, index)) {
        const said = input.seats[key]
        if (said === null) continue
        const id = said ?? (key === String(index) ? seating.seats[index] : null)
        const candidates = seating.candidates[index] ?? []
        const piece = { input, key, reading, candidates }
        if (id && machine.slots.some((slot) => slot.id === id)) seat(id, piece)
        else unseated.push(piece)
      }
    })
  }
  const loose: Piece[] = []
  for (const piece of unseated) {
    const id = likelySeat(piece, unseated, seated, machine)
    if (id) seat(id, piece)
    else loose.push(piece)
  }
  const contested: string[] = []
  for (const id of empty) {
    const own = seated.get(id) ?? []
    // A report that shows the slot filled is another look at the machine.
    if (own.length === 0 || own.some(({ reading }) => reading.source === 'readout')) continue
    const isEmpty = Object.hasOwn(rulings, emptyKey(id)) ? rulings[emptyKey(id)]?.value : null
    if (isEmpty === true) {
      seated.delete(id)
      loose.push(...own)
    } else if (isEmpty === null) contested.push(id)
  }
  return { seated, loose, empty, contested }
}

/** What the pieces of a module's reading are kept under: a kit of two has two. */
function keysOf({ module }: ModuleReading, index: number): string[] {
  const pieces = Math.min(module.kit?.size ?? 1, 8)
  return Array.from({ length: pieces }, (_, n) => (n === 0 ? String(index) : `${index}.${n}`))
}

/**
 * The slot of the module that has the same serial number; else one of the slots with the same part number, where as
 * many pieces have it as slots; the only slot there is.
 */
function likelySeat(
  { input, reading }: Piece,
  unseated: readonly Piece[],
  seated: ReadonlyMap<string, Piece[]>,
  machine: Machine,
): string | null {
  // Two modules of one report are two; contents or a label beside it may be of one of them.
  const free = [...seated].filter(([, own]) =>
    own.every((other) => other.input !== input || other.reading.source !== reading.source),
  )
  const alike = (what: 'serial' | 'partNumber') => {
    const value = reading.module[what]
    if (value === undefined) return []
    return free.filter(([, own]) => own.some((other) => other.reading.module[what] === value))
  }
  const serial = alike('serial')
  if (serial.length === 1) return serial[0]?.[0] ?? null
  const { partNumber } = reading.module
  const mates = unseated.filter(
    (one) => one.input === input && one.reading.module.partNumber === partNumber,
  ).length
  const others = [...seated].filter(([, own]) =>
    own.some((one) => one.input !== input && one.reading.module.partNumber === partNumber),
  ).length
  const part = alike('partNumber')
  if (part.length === 1 || (partNumber !== undefined && mates === others && part.length > 0)) {
    return part[0]?.[0] ?? null
  }
  const only = machine.slots.length === 1 ? machine.slots[0]?.id : undefined
  const fitting = reading.source !== 'readout' || reading.module.formFactor !== undefined
  return only !== undefined && input.reading.modules.length === 1 && fitting ? only : null
}

function solderedIn(inputs: readonly Input[]): ModuleReading[] {
  for (const { reading } of inputs) {
    const found = reading.modules.filter(isSoldered)
    if (found.length > 0) return found
  }
  return []
}

/** The printed names of all slots, by a report that lists empty ones as well. */
function letteringIn(inputs: readonly Input[]): string[] {
  for (const { reading } of inputs) {
    const listed = reading.machine?.slots ?? []
    const names = listed.map(({ locator }) => letterAndNumber(locator))
    if (listed.length > 0 && names.every((name) => name !== null)) {
      const distinct = [...new Set(names)]
      if (distinct.length === names.length) return distinct.sort()
    }
  }
  return []
}

/** The latest word on the system's memory in use, and on its processor. */
function systemIn(inputs: readonly Input[]): SystemReading | null {
  const systems = inputs.flatMap(({ reading }) => reading.system ?? [])
  const processor = systems.findLast((one) => one.processor !== undefined)?.processor
  const latest = systems.findLast((one) => one.totalGiB !== undefined) ?? systems.at(-1)
  return latest ? { ...latest, ...(processor ? { processor } : {}) } : null
}

function claimOf({ id, name, by, at }: Input, fact: Fact): Claim {
  return { ...fact, input: id, name, by, at }
}

/** Everything said about one module, figure by figure. */
function entriesOf(subject: string, pieces: readonly Piece[], { rulings }: EvidenceCase): Belief[] {
  const claims = new Map<keyof ModuleFigures, [Claim, ...Claim[]]>()
  for (const { input, reading } of pieces) {
    for (const fact of factsOf(reading)) {
      const what = fact.what as keyof ModuleFigures
      const known = claims.get(what)
      if (known) known.push(claimOf(input, fact))
      else claims.set(what, [claimOf(input, fact)])
    }
  }
  return [...claims].map(([what, all]) => entryOf(subject, what, all, rulings))
}

function completedOf(
  entries: readonly Belief[],
  machine: Machine,
  inMachine: boolean,
): Completed | null {
  const figures = Object.fromEntries(entries.map(({ what, value }) => [what, value]))
  return complete(figures as Partial<ModuleFigures>, { machine, inMachine })
}

function slotEvidence(slot: string, own: readonly Piece[], given: EvidenceCase): SlotEvidence {
  const entries = entriesOf(slot, own, given)
  const completed = completedOf(entries, given.machine, true)
  return {
    slot,
    entries,
    completed,
    observed: seenIn(own, completed, given.machine),
    verified: own.some(({ reading }) => reading.verified),
  }
}

function looseOf(
  piece: Piece,
  given: EvidenceCase,
  states: Readonly<Record<string, SlotState>>,
): Loose {
  const { input, key, reading, candidates } = piece
  const entries = entriesOf(`${input.id} ${key}`, [piece], given)
  const completed = completedOf(entries, given.machine, reading.source === 'readout')
  const open = candidates.filter((id) => states[id] === 'unknown')
  const free = open.length > 0 ? open : candidates.filter((id) => states[id] !== 'filled')
  // A stick in the hand may be from any slot, one that a report names too.
  const all = given.machine.slots.map(({ id }) => id)
  const rank = (id: string) => ['unknown', 'filled', 'empty'].indexOf(states[id] ?? 'unknown')
  const any = all.toSorted((a, b) => rank(a) - rank(b))
  return {
    input: input.id,
    key,
    reading,
    completed,
    observed: seenIn([piece], completed, given.machine),
    slots: reading.source === 'readout' ? free : any,
  }
}

function seenIn(
  own: readonly Piece[],
  completed: Completed | null,
  machine: Machine,
): SeenRunning | null {
  const rated = own.find(({ reading }) => reading.observed)
  const powered = own.find(({ reading }) => reading.observedVolts !== null)
  const from = rated ?? powered
  if (!from) return null
  const rate = rated?.reading.observed ?? null
  return {
    input: from.input.id,
    rate: rate && decided(rate, completed, machine),
    volts: powered?.reading.observedVolts ?? null,
  }
}

/** A printed rate that may be the clock, decided by what this machine's generation and the module's own rates allow. */
function decided(rate: Observed, completed: Completed | null, machine: Machine): Observed {
  if (rate.clockOrRate !== 'ambiguous') return rate
  const generation = completed?.module.generation ?? machine.generation
  const assumed = completed?.assumed ?? []
  const top = assumed.includes('speeds')
    ? Number.POSITIVE_INFINITY
    : Math.max(...(completed?.module.speeds ?? []).map(({ dataRate }) => dataRate * 1.01))
  const possible = rate.readings.filter((one) => plausibleRate(generation, one) && one <= top)
  const [only] = possible
  if (possible.length !== 1 || only === undefined) return rate
  const neat = standardStep(generation, only) ?? only
  const clockOrRate = only === rate.readings[0] ? 'rate' : 'clock'
  return { ...rate, configuredDataRate: neat, clockOrRate, readings: [neat] }
}

/** Modules of one reading that may be in the same slots are asked for together. */
function questionsOf(loose: readonly Loose[]): SlotQuestion[] {
  const questions = new Map<string, SlotQuestion & { likes: Set<string> }>()
  for (const { input, key, reading, slots } of loose) {
    const name = `${input} ${slots.join(' ')}`
    const known = questions.get(name)
    const like = likeness(reading)
    if (known) {
      known.keys.push(key)
      known.likes.add(like)
    } else questions.set(name, { input, keys: [key], slots, alike: true, likes: new Set([like]) })
  }
  return [...questions.values()].map(({ likes, ...question }) => ({
    ...question,
    alike: likes.size === 1,
  }))
}

function machineEntries(
  { machine, sources, inputs, rulings }: EvidenceCase,
  fitted: readonly Piece[],
): Belief[] {
  type Of = 'slotCount' | 'solderedGiB' | 'maximumGiB' | 'generation' | 'formFactor'
  const recorded = <W extends Of>(
    what: W,
    sourced: Sourced,
    value: Claim<W>['value'],
  ): Claim<W> => {
    const origin = sources[sourced]
    const source = origin?.source ?? 'start'
    return {
      what,
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
  const read = <W extends Of>(
    what: W,
    of: (input: Input) => { value: Claim<W>['value']; where: Claim['where']; trust?: Trust }[],
  ): Claim<W>[] =>
    inputs.flatMap((input) =>
      of(input).map(({ value, where, trust }) => {
        const source = input.reading.machine?.source ?? 'readout'
        const fact = {
          what,
          value,
          source,
          trust: trust ?? trustIn(source, 'machine'),
          where,
        } as Fact
        return claimOf(input, fact) as Claim<W>
      }),
    )
  const ofModules = <W extends 'generation' | 'formFactor'>(what: W): Claim<W>[] =>
    fitted.flatMap(({ input, reading }) =>
      factsOf(reading).flatMap((fact) =>
        fact.what === what ? [claimOf(input, fact) as Claim<W>] : [],
      ),
    )
  const maximum = ({ reading: { machine: of } }: Input) =>
    of?.maximumGiB === undefined
      ? []
      : [{ value: of.maximumGiB, where: of.places.maximumGiB ?? null }]
  const soldered = ({ reading }: Input) => {
    const banks = reading.modules.filter(isSoldered)
    // A table lists what is soldered as well, so one without any says that there is nothing.
    const isOpen = banks.length === 0 && reading.modules.some(mayBeSoldered)
    if (isOpen || (banks.length === 0 && !reading.machine?.slots.length)) return []
    const value = banks.reduce((sum, { module }) => sum + (module.capacityGiB ?? 0), 0)
    return [{ value, where: banks[0]?.where ?? null, trust: trustIn('readout', 'module') }]
  }
  const recordedSoldered = machine.soldered.reduce((sum, { module }) => sum + module.capacityGiB, 0)
  const entry = <W extends Of>(what: W, first: Claim<W>, more: Claim<W>[]): Belief =>
    entryOf('machine', what, [first, ...more], rulings) as unknown as Belief
  return [
    entry(
      'slotCount',
      recorded('slotCount', 'slots', machine.slots.length),
      read('slotCount', ({ reading }) => slotCounts(reading)),
    ),
    entry(
      'solderedGiB',
      recorded('solderedGiB', 'soldered', recordedSoldered),
      read('solderedGiB', soldered),
    ),
    entry(
      'maximumGiB',
      recorded('maximumGiB', 'totalGiB', machine.limits.totalGiB),
      read('maximumGiB', maximum),
    ),
    entry(
      'generation',
      recorded('generation', 'generation', machine.generation),
      ofModules('generation'),
    ),
    entry(
      'formFactor',
      recorded('formFactor', 'formFactor', machine.formFactor),
      ofModules('formFactor'),
    ),
  ]
}

/** How many slots a readout claims beside what is soldered; it may say one number and list another. */
function slotCounts({ machine, modules }: Reading) {
  if (!machine) return []
  const listed = machine.slots.length
  // A report counts what is soldered as a slot; a page does not.
  const soldered = machine.source === 'page' ? 0 : modules.filter(isSoldered).length
  const claimed =
    machine.slotCount === undefined ? undefined : Math.max(0, machine.slotCount - soldered)
  return [
    ...(claimed === undefined ? [] : [{ value: claimed, where: machine.places.slotCount ?? null }]),
    ...(listed > 0 && claimed !== undefined && listed !== claimed
      ? [{ value: listed, where: null }]
      : []),
  ]
}
