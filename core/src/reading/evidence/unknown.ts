import { TRUSTS } from '../../things/model'
import type { Sourced } from '../../things/records'
import type { EvidenceCase, Loose, SlotEvidence, SlotState, Unknown, UnknownCode } from './case'
import type { Belief } from './claims'
import { missingIn } from './complete'

interface Known {
  given: EvidenceCase
  entries: readonly Belief[]
  slots: readonly SlotEvidence[]
  loose: readonly Loose[]
  states: Readonly<Record<string, SlotState>>
}

/** Figures of a module that decide whether it may stay beside another. */
const DECIDING = ['capacityGiB', 'ranks', 'deviceWidth', 'speeds'] as const

/**
 * What is still unknown, in the order worth finding out: what rules the whole upgrade out comes before
 * what only limits its size, and that before what only limits its speed.
 */
export function unknownIn({ given, entries, slots, loose, states }: Known): Unknown[] {
  const { machine, sources } = given
  const guessed = (what: string) => {
    const entry = entries.find((one) => one.what === what)
    return !entry?.ruling && (entry?.claims[0]?.trust ?? 'guess') === 'guess'
  }
  const unsure = (what: Sourced) => {
    const source = sources[what]?.source
    return source === undefined || source === 'start' || source === 'guess'
  }
  const found: Unknown[] = []
  const add = (holds: boolean, code: UnknownCode, what: string[] = []) => {
    if (holds) found.push({ code, what })
  }
  const allSoldered = machine.slots.length === 0
  add(guessed('generation') && guessed('formFactor'), 'GENERATION')
  add(guessed('slotCount'), 'SLOT_COUNT')
  add(guessed('solderedGiB') && machine.kind !== 'desktop', 'SOLDERED')
  if (allSoldered) return found
  const unseen = machine.slots.flatMap(({ id }) => (states[id] === 'unknown' ? [id] : []))
  add(unseen.length > 0, 'CONTENT_OF_SLOTS', unseen)
  add(loose.length > 0, 'LOOSE_MODULE')
  const lacking = loose.flatMap(({ reading }) =>
    missingIn(reading.module, { inMachine: reading.source === 'readout' }),
  )
  add(lacking.includes('formFactor'), 'MODULE_FORM')
  add(
    lacking.includes('capacityGiB') || slots.some(({ completed }) => !completed),
    'MODULE_CAPACITY',
    slots.flatMap(({ slot, completed }) => (completed ? [] : [slot])),
  )
  const vague = slots.filter(({ completed }) =>
    DECIDING.some((what) => !completed || completed.assumed.includes(what)),
  )
  add(
    vague.length > 0,
    'MODULE_FIGURES',
    vague.map(({ slot }) => slot),
  )
  const profiled = slots.filter(({ completed }) => completed?.assumed.includes('standardSpeed'))
  add(
    profiled.length > 0 || loose.some((one) => one.completed?.assumed.includes('standardSpeed')),
    'STANDARD_SPEED',
    profiled.map(({ slot }) => slot),
  )
  add(unsure('totalGiB') && weak(entries, 'maximumGiB'), 'TOTAL_LIMIT')
  add(unsure('slotGiB'), 'SLOT_LIMIT')
  add(unsure('dataRates'), 'RATES')
  add(
    machine.slots.length > 1 &&
      (unsure('order') || machine.slots.some(({ order }) => order === null)),
    'FILLING_ORDER',
  )
  add(unsure('firmwareDataRate'), 'FIRMWARE')
  return found
}

function weak(entries: readonly Belief[], what: string): boolean {
  const entry = entries.find((one) => one.what === what)
  const best = entry?.claims[0]?.trust ?? 'guess'
  return !entry?.ruling && TRUSTS.indexOf(best) < TRUSTS.indexOf('fair')
}
