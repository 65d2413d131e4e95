import type { Source } from '../model'
import type { Where } from '../readings'
import type { Rulings } from '../records'
import { type Claim, type Entry, plainValue } from './claims'
import type { Input, SlotEvidence } from './weigh'

export const DISPUTE_CODES = [
  'SLOT_COUNT',
  'SOLDERED',
  'MAXIMUM',
  'MODULE_NOT_OF_MACHINE',
  'MODULE_FIGURE',
  'RATE_OR_CLOCK',
  'RATED_AGAINST_CONFIGURED',
  'LABEL_DENSITY',
] as const
export type DisputeCode = (typeof DISPUTE_CODES)[number]

/** One possible truth, and who says so. */
export interface Option {
  value: string | number | boolean
  claims: Claim[]
}

/** A contradiction to settle: what may be true, and the ways to find out, the best first. */
export interface Dispute {
  code: DisputeCode
  /** What a ruling on it is kept under. */
  key: string
  subject: string
  what: string
  options: Option[]
  ways: Source[]
  where: { input: string; where: Where | null } | null
}

const WAYS: Record<DisputeCode, Source[]> = {
  SLOT_COUNT: ['opened', 'manual', 'lettering'],
  SOLDERED: ['opened', 'manual', 'readout'],
  MAXIMUM: ['manual', 'readout', 'guess'],
  MODULE_NOT_OF_MACHINE: ['opened', 'label', 'manual'],
  MODULE_FIGURE: ['label', 'contents', 'opened'],
  RATE_OR_CLOCK: ['label', 'contents', 'guess'],
  RATED_AGAINST_CONFIGURED: ['label', 'contents', 'readout'],
  LABEL_DENSITY: ['label', 'contents'],
}

const OF_MACHINE: Record<string, DisputeCode> = {
  slotCount: 'SLOT_COUNT',
  solderedGiB: 'SOLDERED',
  maximumGiB: 'MAXIMUM',
  generation: 'MODULE_NOT_OF_MACHINE',
  formFactor: 'MODULE_NOT_OF_MACHINE',
}

/** Figures that follow from others, or are only names of one thing, are no contradictions of their own. */
const SECONDARY = ['dieGbit', 'maker', 'makerCode', 'heightMm', 'madeWeek']

interface Given {
  machine: readonly Entry[]
  slots: readonly SlotEvidence[]
  inputs: readonly Input[]
  rulings: Rulings
  runsAt: number | null
}

/** Everything that contradicts and is not settled yet, the costliest mistakes first. */
export function disputesIn({ machine, slots, inputs, rulings, runsAt }: Given): Dispute[] {
  const open = ({ key }: { key: string }) => !Object.hasOwn(rulings, key)
  return [
    ...machine
      .filter((entry) => !entry.agreed)
      .map((entry) => ofEntry(OF_MACHINE[entry.what] ?? 'MODULE_FIGURE', entry)),
    ...slots.flatMap(({ entries }) =>
      entries
        .filter(({ agreed, what }) => !agreed && !SECONDARY.includes(what))
        .map((entry) => ofEntry('MODULE_FIGURE', entry)),
    ),
    ...slots.flatMap((slot) => ofRate(slot, runsAt)),
    ...inputs.flatMap(ofLabels),
  ].filter(open)
}

function ofEntry(code: DisputeCode, { key, subject, what, claims }: Entry): Dispute {
  return {
    code,
    key,
    subject,
    what,
    options: optionsOf(what, claims),
    ways: WAYS[code],
    where: null,
  }
}

/** The distinct values, the better trusted first. */
function optionsOf(what: string, claims: readonly Claim[]): Option[] {
  const options: Option[] = []
  for (const claim of claims) {
    const value = plainValue(what, claim.value)
    const known = options.find((one) => one.value === value)
    if (known) known.claims.push(claim)
    else options.push({ value, claims: [claim] })
  }
  return options
}

function ofRate({ slot, entries, observed }: SlotEvidence, runsAt: number | null): Dispute[] {
  if (!observed) return []
  const key = `slot.${slot}.configured`
  const about = {
    key,
    subject: slot,
    what: 'configured',
    where: { input: observed.input, where: null },
  }
  if (observed.clockOrRate === 'ambiguous') {
    const options = observed.readings.map((value) => ({ value, claims: [] }))
    return [{ ...about, code: 'RATE_OR_CLOCK', options, ways: WAYS.RATE_OR_CLOCK }]
  }
  const rated = entries.find(({ what }) => what === 'speeds')
  const rate = rated && plainValue('speeds', rated.value)
  const configured = observed.configuredDataRate
  if (typeof rate !== 'number' || rate === configured || configured === runsAt) return []
  return [
    {
      ...about,
      code: 'RATED_AGAINST_CONFIGURED',
      options: [
        { value: configured, claims: [] },
        { value: rate, claims: rated?.claims ?? [] },
      ],
      ways: WAYS.RATED_AGAINST_CONFIGURED,
    },
  ]
}

function ofLabels({ id, reading }: Input): Dispute[] {
  return reading.problems
    .filter(({ code }) => code === 'DENSITY_NOT_MADE')
    .map(({ where }) => ({
      code: 'LABEL_DENSITY',
      key: `reading.${id}.${where && 'line' in where ? where.line : 0}`,
      subject: 'label',
      what: 'dieGbit',
      options: [],
      ways: WAYS.LABEL_DENSITY,
      where: { input: id, where },
    }))
}
