import type { Module } from '../../things/model'
import type { Evidence } from './case'
import { agree } from './meaning'
import type { Assumed } from './moduleBelieved'

/** A module that the evidence makes otherwise than the board has it. */
export interface ModuleDifference {
  slot: string
  module: Module
  assumed: Assumed[]
  /** Whether nothing is in that slot on the board. */
  isNew: boolean
  /** The figures that differ; all of them for a new one. */
  what: (typeof COMPARED)[number][]
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

/** What the evidence would change on the board, whose modules are given by slot. */
export function differencesOf(
  { slots, contested }: Pick<Evidence, 'slots' | 'contested'>,
  onBoard: Readonly<Record<string, Module | null>>,
): ModuleDifference[] {
  return slots.flatMap(({ slot, made }) => {
    if (!made || contested.includes(slot)) return []
    const { module, assumed } = made
    const there = onBoard[slot] ?? null
    const what = there ? COMPARED.filter((name) => differs(name, there, made)) : [...COMPARED]
    return what.length > 0 ? [{ slot, module, assumed, isNew: !there, what }] : []
  })
}

function differs(
  what: (typeof COMPARED)[number],
  there: Module,
  { module, assumed }: { module: Module; assumed: readonly Assumed[] },
): boolean {
  if (assumed.includes(what) || (what === 'speeds' && assumed.includes('standardSpeed')))
    return false
  return !agree(what, there[what], module[what])
}

/** Whether modules were read that do not fit the machine's record: then none is taken over unasked. */
export const isHeld = ({ disputes }: Pick<Evidence, 'disputes'>): boolean =>
  disputes.some(({ code }) => code === 'MODULE_NOT_OF_MACHINE')
