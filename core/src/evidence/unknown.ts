import { TRUSTS } from '../model'
import type { Sourced } from '../records'
import type { Entry } from './claims'
import type { Case, Loose, SlotEvidence } from './weigh'

export const UNKNOWN_CODES = [
  'GENERATION',
  'SLOT_COUNT',
  'SOLDERED',
  'CONTENT_OF_SLOTS',
  'LOOSE_MODULE',
  'MODULE_FIGURES',
  'TOTAL_LIMIT',
  'SLOT_LIMIT',
  'RATES',
  'FILLING_ORDER',
  'FIRMWARE',
] as const
export type UnknownCode = (typeof UNKNOWN_CODES)[number]

/** Something the plan needs and nobody has made sure of; `what` names the figures or slots. */
export interface Unknown {
  code: UnknownCode
  what: string[]
}

interface Given {
  given: Case
  entries: readonly Entry[]
  slots: readonly SlotEvidence[]
  loose: readonly Loose[]
}

/** Figures of a module that decide whether it may stay beside another. */
const DECIDING = ['capacityGiB', 'ranks', 'deviceWidth', 'speeds']

/**
 * What is still unknown, in the order worth finding out: what rules the whole upgrade out comes before
 * what only limits its size, and that before what only limits its speed.
 */
export function unknownIn({ given, entries, slots, loose }: Given): Unknown[] {
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
  const nothing = slots.length === 0
  add(nothing, 'CONTENT_OF_SLOTS')
  add(loose.length > 0, 'LOOSE_MODULE')
  const vague = slots.filter(({ completed }) =>
    DECIDING.some((what) => !completed || completed.assumed.includes(what)),
  )
  add(
    vague.length > 0,
    'MODULE_FIGURES',
    vague.map(({ slot }) => slot),
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

function weak(entries: readonly Entry[], what: string): boolean {
  const entry = entries.find((one) => one.what === what)
  const best = entry?.claims[0]?.trust ?? 'guess'
  return !entry?.ruling && TRUSTS.indexOf(best) < TRUSTS.indexOf('fair')
}
