import { type Machine, standardStep } from '../../things/model'
import {
  type ListedSlot,
  MACHINE,
  modulesRead,
  type Observation,
  plausibleRate,
  type RunningRate,
  type Subject,
  SYSTEM,
  type SystemFigures,
  saidOfSubject,
} from '../facts'
import { isSoldered } from '../inputs'
import { letterAndNumber, likeness } from '../seats'
import { believe } from './believe'
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
import { disputesIn } from './disputes'
import { emptyKey } from './emptyKey'
import { type MadeModule, moduleBelieved } from './moduleBelieved'
import { ofMachine } from './ofMachine'
import { inputOf, inSlots, type Seats, seatAll } from './seated'
import { unknownIn } from './unknown'

/**
 * Everything known of a machine and its modules: observations of all inputs, their modules each of the slot that it is
 * in, put together as beliefs. What contradicts is a dispute with the ways to settle it; what cannot be told is a
 * question; what is still unknown is listed in the order worth finding out.
 */
export function weigh(given: EvidenceCase): Evidence {
  const { machine, inputs, rulings } = given
  const seats = seatAll(given)
  const states = statesOf(given, seats)
  const seated = inSlots(seats)
  // What a running machine reports is in it, whichever slot it is in.
  const reported = seats.loose.filter(({ source }) => source === 'readout')
  const fitted = [...seated, ...reported.flatMap(({ observations }) => observations)]
  const entries = believe(ofMachine(given, fitted), rulings)
  const slots = machine.slots.flatMap(({ id }) => {
    const own = seated.filter(({ subject }) => subject === id)
    return own.length > 0 ? [slotEvidence(id, own, given)] : []
  })
  const loose = seats.loose.map((one) => looseOf(one, given, seats, states))
  const { contested } = seats
  const system = systemIn(inputs)
  const known = { given, entries, slots, loose, states, contested, system }
  return {
    machine: entries,
    slots,
    states,
    contested,
    loose,
    questions: questionsOf(loose),
    soldered: solderedIn(inputs),
    lettering: letteringIn(inputs),
    system,
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

function solderedIn(inputs: readonly Input[]): Subject[] {
  for (const { reading } of inputs) {
    const found = modulesRead(reading.observations).filter(isSoldered)
    if (found.length > 0) return found
  }
  return []
}

/** The printed names of all slots, by a report that lists empty ones as well. */
function letteringIn(inputs: readonly Input[]): string[] {
  for (const { reading } of inputs) {
    const listed: ListedSlot[] = saidOfSubject(reading.observations, MACHINE).slots ?? []
    const names = listed.map(({ locator }) => letterAndNumber(locator))
    if (listed.length > 0 && names.every((name) => name !== null)) {
      const distinct = [...new Set(names)]
      if (distinct.length === names.length) return distinct.sort()
    }
  }
  return []
}

/** Figures of a system that stay, whichever report is the latest. */
const LASTING = ['processor', 'systemBits', 'usableGiB', 'errorLog'] as const

/** The latest word on the system's memory in use, and on what stays of it. */
function systemIn(inputs: readonly Input[]): Partial<SystemFigures> | null {
  const systems = inputs
    .map(({ reading }) => saidOfSubject(reading.observations, SYSTEM))
    .filter((one) => Object.keys(one).length > 0)
  const latest = systems.findLast((one) => one.totalGiB !== undefined) ?? systems.at(-1)
  if (!latest) return null
  const lasting = LASTING.flatMap((what) => {
    const value = systems.findLast((one) => one[what] !== undefined)?.[what]
    return value === undefined ? [] : [[what, value]]
  })
  return { ...latest, ...Object.fromEntries(lasting) }
}

function slotEvidence(
  slot: string,
  own: readonly Observation[],
  { machine, rulings }: EvidenceCase,
): SlotEvidence {
  const beliefs = believe(own, rulings)
  const made = moduleBelieved(beliefs, { machine, inMachine: true })
  return {
    slot,
    beliefs,
    made,
    running: seenIn(own, made, machine),
    verified: own.some(({ what, source }) => what === 'present' && source === 'contents'),
  }
}

function looseOf(
  about: Subject,
  { machine, rulings }: EvidenceCase,
  { candidates }: Seats,
  states: Readonly<Record<string, SlotState>>,
): Loose {
  const isReported = about.source === 'readout'
  const made = moduleBelieved(believe(about.observations, rulings), {
    machine,
    inMachine: isReported,
  })
  const possible = candidates.get(about.subject) ?? []
  const open = possible.filter((id) => states[id] === 'unknown')
  const free = open.length > 0 ? open : possible.filter((id) => states[id] !== 'filled')
  // A stick in the hand may be from any slot, one that a report names too.
  const all = machine.slots.map(({ id }) => id)
  const rank = (id: string) => ['unknown', 'filled', 'empty'].indexOf(states[id] ?? 'unknown')
  const any = all.toSorted((a, b) => rank(a) - rank(b))
  const input = inputOf(about)
  return {
    input,
    key: about.subject.slice(input.length + 1),
    about,
    made,
    running: seenIn(about.observations, made, machine),
    slots: isReported ? free : any,
  }
}

function seenIn(
  own: readonly Observation[],
  made: MadeModule | null,
  machine: Machine,
): SeenRunning | null {
  const rated = own.find(({ what }) => what === 'runs')
  const powered = own.find(({ what }) => what === 'runsOnVolts')
  const from = rated ?? powered
  if (!from) return null
  const rate = (rated?.value as RunningRate | undefined) ?? null
  return {
    input: from.input ?? '',
    rate: rate && decided(rate, made, machine),
    volts: (powered?.value as number | undefined) ?? null,
  }
}

/** A printed rate that may be the clock, decided by what this machine's generation and the module's own rates allow. */
function decided(rate: RunningRate, made: MadeModule | null, machine: Machine): RunningRate {
  if (rate.clockOrRate !== 'ambiguous') return rate
  const generation = made?.module.generation ?? machine.generation
  const assumed = made?.assumed ?? []
  const top = assumed.includes('speeds')
    ? Number.POSITIVE_INFINITY
    : Math.max(...(made?.module.speeds ?? []).map(({ dataRate }) => dataRate * 1.01))
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
  for (const { input, key, about, slots } of loose) {
    const name = `${input} ${slots.join(' ')}`
    const known = questions.get(name)
    const like = likeness(about)
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
