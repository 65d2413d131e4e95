import type { Source } from '../../things/model'
import type { Observation } from '../facts'
import type { Belief } from './believe'
import type { Dispute, DisputeCode, EvidenceCase, Input, PossibleValue, SlotEvidence } from './case'
import { emptyKey } from './emptyKey'
import { plainValue } from './meaning'

const WAYS: Record<DisputeCode, Source[]> = {
  SLOT_EMPTY: ['opened', 'readout'],
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

interface Known {
  given: Pick<EvidenceCase, 'inputs' | 'rulings' | 'runsAt'>
  entries: readonly Belief[]
  slots: readonly SlotEvidence[]
  contested: readonly string[]
}

/** Everything that contradicts and is not settled yet, the costliest mistakes first. */
export function disputesIn({ given, entries, slots, contested }: Known): Dispute[] {
  const { inputs, rulings, runsAt } = given
  const open = ({ key }: { key: string }) => !Object.hasOwn(rulings, key)
  return [
    ...contested.map(ofEmpty),
    ...entries
      .filter((entry) => !entry.agreed)
      .flatMap((entry) => {
        const code = OF_MACHINE[entry.what]
        return code ? ofEntry(code, entry) : []
      }),
    ...slots.flatMap(({ beliefs: own }) =>
      own
        .filter(({ agreed, what }) => !agreed && !SECONDARY.includes(what))
        .map((entry) => ofEntry('MODULE_FIGURE', entry)),
    ),
    ...slots.flatMap((slot) => ofRate(slot, runsAt)),
    ...inputs.flatMap(ofLabels),
  ].filter(open)
}

/** A slot that is empty by one word and filled by another. */
const ofEmpty = (slot: string): Dispute => ({
  code: 'SLOT_EMPTY',
  key: emptyKey(slot),
  subject: slot,
  what: 'empty',
  options: [false, true].map((value) => ({ value, claims: [] })),
  ways: WAYS.SLOT_EMPTY,
  where: null,
})

function ofEntry(code: DisputeCode, { key, subject, what, claims }: Belief): Dispute {
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
function optionsOf(
  what: Belief['what'],
  claims: readonly Observation<Belief['what']>[],
): PossibleValue[] {
  const options: PossibleValue[] = []
  for (const claim of claims) {
    const value = plainValue(what, claim.value)
    const known = options.find((one) => one.value === value)
    if (known) known.claims.push(claim)
    else options.push({ value, claims: [claim] })
  }
  return options
}

function ofRate({ slot, beliefs, running }: SlotEvidence, runsAt: number | null): Dispute[] {
  const rate = running?.rate
  if (!running || !rate) return []
  const key = `slot.${slot}.configured`
  const about = {
    key,
    subject: slot,
    what: 'configured' as const,
    where: { input: running.input, where: null },
  }
  if (rate.clockOrRate === 'ambiguous') {
    const options = rate.readings.map((value) => ({ value, claims: [] }))
    return [{ ...about, code: 'RATE_OR_CLOCK', options, ways: WAYS.RATE_OR_CLOCK }]
  }
  const rated = beliefs.find(({ what }) => what === 'speeds')
  const configured = rate.configuredDataRate
  if (!rated || configured === runsAt) return []
  const own = (rated.value as Belief<'speeds'>['value']).map(({ dataRate }) => dataRate)
  if (own.length === 0 || own.includes(configured)) return []
  const [top] = own
  return [
    {
      ...about,
      code: 'RATED_AGAINST_CONFIGURED',
      options: [
        { value: configured, claims: [] },
        { value: top as number, claims: rated.claims },
      ],
      ways: WAYS.RATED_AGAINST_CONFIGURED,
    },
  ]
}

function ofLabels({ id, reading }: Input): Dispute[] {
  return reading.problems
    .filter(({ code }) => code === 'DENSITY_NOT_MADE')
    .map(({ where }) => ({
      code: 'LABEL_DENSITY' as const,
      key: `reading.${id}.${where && 'line' in where ? where.line : 0}`,
      subject: 'label',
      what: 'dieGbit' as const,
      options: [],
      ways: WAYS.LABEL_DENSITY,
      where: { input: id, where },
    }))
}
