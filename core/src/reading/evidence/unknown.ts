import { isOnOtherVolts, systemLimitGiB, TRUSTS, type Trust } from '../../things/model'
import type { Sourced } from '../../things/records'
import { type SystemFigures, trustOf } from '../facts'
import type { Belief } from './believe'
import type { EvidenceCase, Loose, SlotEvidence, SlotState, Unknown, UnknownCode } from './case'
import { missingIn } from './moduleBelieved'

interface Known {
  given: EvidenceCase
  entries: readonly Belief[]
  slots: readonly SlotEvidence[]
  loose: readonly Loose[]
  states: Readonly<Record<string, SlotState>>
  system: Partial<SystemFigures> | null
}

/** Figures of a module that decide whether it may stay beside another. */
const DECIDING = ['capacityGiB', 'ranks', 'deviceWidth', 'speeds'] as const

/**
 * What is still unknown, in the order worth finding out: what rules the whole upgrade out comes before
 * what only limits its size, and that before what only limits its speed.
 */
export function unknownIn({ given, entries, slots, loose, states, system }: Known): Unknown[] {
  const { machine, sources } = given
  const guessed = (what: string) => {
    const entry = entries.find((one) => one.what === what)
    return !entry?.ruling && trustOfBest(entry) === 'guess'
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
  const lacking = loose.flatMap(({ about }) =>
    missingIn(about.said, { inMachine: about.source === 'readout' }),
  )
  add(lacking.includes('formFactor'), 'MODULE_FORM')
  add(
    lacking.includes('capacityGiB') || slots.some(({ made }) => !made),
    'MODULE_CAPACITY',
    slots.flatMap(({ slot, made }) => (made ? [] : [slot])),
  )
  const vague = slots.filter(({ made }) =>
    DECIDING.some((what) => !made || made.assumed.includes(what)),
  )
  add(
    vague.length > 0,
    'MODULE_FIGURES',
    vague.map(({ slot }) => slot),
  )
  const profiled = slots.filter(({ made }) => made?.assumed.includes('standardSpeed'))
  add(
    profiled.length > 0 || loose.some((one) => one.made?.assumed.includes('standardSpeed')),
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
  const onOtherVolts = slots.flatMap(({ slot, made }) =>
    made && isOnOtherVolts(machine, made.module) ? [slot] : [],
  )
  add(unsure('voltages') && onOtherVolts.length > 0, 'VOLTAGE', onOtherVolts)
  add(machine.systemBits === undefined && !system?.systemBits, 'SYSTEM_WIDTH')
  const { totalGiB = 0, usableGiB = totalGiB } = system ?? {}
  add(systemLimitGiB(machine) === null && usableGiB < USES_LESS * totalGiB, 'SYSTEM_USES_LESS')
  return found
}

/** A system that uses less than this share of what is installed has a reason for it. */
const USES_LESS = 0.8

function weak(entries: readonly Belief[], what: string): boolean {
  const entry = entries.find((one) => one.what === what)
  const best = trustOfBest(entry)
  return !entry?.ruling && TRUSTS.indexOf(best) < TRUSTS.indexOf('fair')
}

const trustOfBest = (belief: Belief | undefined): Trust =>
  belief?.claims[0] ? trustOf(belief.claims[0]) : 'guess'
