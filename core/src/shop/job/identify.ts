import { evaluate } from '../../judging/evaluate'
import { type Dispute, type Evidence, type Loose, weigh } from '../../reading/evidence'
import { trustOf } from '../../reading/facts'
import type { Reading } from '../../reading/inputs'
import type { Machine, Module, Source, Trust } from '../../things/model'

/** One thing known of the machine, a slot, or a module whose slot is not known (`unseated.0`). */
export interface IdentifiedFact {
  subject: string
  what: string
  value: unknown
  /** How it is known; `seen running` figures are observations of the machine as found. */
  source: Source
  trust: Trust
}

export interface IdentifiedConflict {
  code: Dispute['code']
  subject: string
  what: string
  values: (string | number | boolean)[]
}

/** Something to ask: `slots` and `modules` (places in `unseated`) where it is about these. */
export interface IdentifiedQuestion {
  code: string
  slots: string[]
  modules: number[]
}

export interface Identified {
  facts: IdentifiedFact[]
  conflicts: IdentifiedConflict[]
  placement: Record<string, Module>
  emptySlots: string[]
  unseated: Module[]
  questions: IdentifiedQuestion[]
}

/**
 * What Identify shows, from a machine and what was read of it: the facts that count, what contradicts,
 * the modules in the slots that are known, those whose slot is not, and what to ask. `placement` names
 * known slots only.
 */
export function identify(machine: Machine, readings: readonly Reading[]): Identified {
  const inputs = readings.map((reading, at) => ({
    id: String(at),
    reading,
    seats: {},
  }))
  const given = { machine, sources: {}, inputs, rulings: {} }
  const placement = placementIn(weigh({ ...given, runsAt: null }))
  const settings = { profile: false }
  const { run } = evaluate({ machine, placement, settings })
  const evidence = weigh({ ...given, runsAt: run?.dataRate ?? null })
  const unseated = evidence.loose.filter(({ made }) => made !== null)
  return {
    facts: factsIn(evidence, unseated),
    conflicts: evidence.disputes.map(({ code, subject, what, options }) => ({
      code,
      subject,
      what,
      values: options.map(({ value }) => value),
    })),
    placement,
    emptySlots: Object.keys(evidence.states).filter((id) => evidence.states[id] === 'empty'),
    unseated: unseated.flatMap(({ made }) => made?.module ?? []),
    questions: questionsIn(evidence, unseated),
  }
}

function placementIn({ slots }: Evidence): Record<string, Module> {
  return Object.fromEntries(slots.flatMap(({ slot, made }) => (made ? [[slot, made.module]] : [])))
}

function factsIn({ machine, slots }: Evidence, unseated: readonly Loose[]): IdentifiedFact[] {
  const seen = (subject: string, running: Loose['running']): IdentifiedFact[] => {
    const told = { subject, source: 'readout', trust: 'fair' } as const
    const { rate = null, volts = null } = running ?? {}
    return [
      ...(rate && rate.clockOrRate !== 'ambiguous'
        ? [{ ...told, what: 'runsAt', value: rate.configuredDataRate }]
        : []),
      ...(volts === null ? [] : [{ ...told, what: 'runsOnVolts', value: volts }]),
    ]
  }
  return [
    ...machine.concat(...slots.map(({ beliefs }) => beliefs)).map((entry) => {
      const { subject, what, value, claims, ruling } = entry
      const [best] = claims
      const claim = best as (typeof claims)[number]
      return { subject, what, value, source: ruling?.source ?? claim.source, trust: trustOf(claim) }
    }),
    ...slots.flatMap(({ slot, running }) => seen(slot, running)),
    ...unseated.flatMap(({ running }, at) => seen(`unseated.${at}`, running)),
  ]
}

function questionsIn(
  { questions, disputes, unknown, loose }: Evidence,
  unseated: readonly Loose[],
): IdentifiedQuestion[] {
  const placeOf = (input: string, key: string) =>
    unseated.findIndex((one) => one.input === input && one.key === key)
  return [
    ...questions.map(({ input, keys, slots }) => ({
      code: 'WHICH_SLOTS',
      slots,
      modules: keys.map((key) => placeOf(input, key)).filter((at) => at >= 0),
    })),
    ...disputes
      .filter(({ code }) => code === 'RATE_OR_CLOCK')
      .map(({ code, subject }) => ({ code: code as string, slots: [subject], modules: [] })),
    ...unknown
      .filter(({ code }) => code !== 'LOOSE_MODULE' || loose.length > 0)
      .map(({ code, what }) => ({ code: code as string, slots: [...what], modules: [] })),
  ]
}
