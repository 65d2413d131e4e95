import fc from 'fast-check'
import type { Offer, PlanRequest, Policy } from '../src/judging/plan'
import type { Machine, Module } from '../src/things/model'
import { desktop, slot, stick } from './builders'

export interface PlanCase extends Omit<PlanRequest, 'onHand' | 'offers'> {
  onHand: Module[]
  offers: Offer[]
}

const ARTICLES = ['a', 'b', 'c']
const RATES = [2133, 2400, 2666, 2933, 3200]

/** Modules of few capacities and rates, so that ties and near misses are frequent. */
const planModule: fc.Arbitrary<Module> = fc
  .record({
    article: fc.constantFrom(...ARTICLES),
    capacityGiB: fc.constantFrom(4, 8, 16),
    ranks: fc.constantFrom(1, 1, 2),
    buffering: fc.constantFrom(...(['unbuffered', 'unbuffered', 'registered'] as const)),
    rates: fc.uniqueArray(fc.constantFrom(...RATES), { minLength: 1, maxLength: 2 }),
    slack: fc.integer({ min: -1, max: 3 }),
    profile: fc.option(
      fc.record({ dataRate: fc.constantFrom(3000, 3600), cl: fc.integer({ min: 14, max: 22 }) }),
    ),
  })
  .map(({ article, capacityGiB, ranks, buffering, rates, slack, profile }) =>
    stick({
      article,
      buffering,
      capacityGiB,
      ranks,
      speeds: [
        ...rates.map((dataRate) => ({
          kind: 'standard' as const,
          dataRate,
          cl: Math.round((dataRate * 13.75) / 2000) + slack,
          trcd: 20,
          trp: 20,
          tras: 44,
        })),
        ...(profile ? [{ kind: 'profile' as const, ...profile, trcd: 20, trp: 20, tras: 40 }] : []),
      ],
    }),
  )

const ROWS = [
  { modulesPerChannel: 1, ranks: 1, dataRate: 3200 },
  { modulesPerChannel: 1, ranks: 2, dataRate: 3000 },
  { modulesPerChannel: 2, ranks: 1, dataRate: 2933 },
  { modulesPerChannel: 2, ranks: 2, dataRate: 2400 },
]

const machine: fc.Arbitrary<Machine> = fc
  .record({
    shape: fc.constantFrom([1, 1], [2, 2], [1, 2], [2], [1, 1, 1], [2, 1, 1], [2, 0]),
    soldered: fc.option(fc.tuple(fc.constantFrom('A', 'B'), planModule)),
    mustFill: fc.boolean(),
    ordered: fc.boolean(),
    rows: fc.subarray(ROWS, { minLength: 1 }),
    firmware: fc.option(fc.constantFrom(2400, 2800, 3100)),
    osGiB: fc.option(fc.constantFrom(12, 24), { freq: 4 }),
    totalGiB: fc.constantFrom(16, 32, 64),
    interleave: fc.constantFrom('flex' as const, 'matched' as const, 'unknown' as const),
    profiles: fc.boolean(),
    syncCeiling: fc.option(fc.constantFrom(2933, 3400)),
  })
  .map(({ shape, soldered, mustFill, ordered, rows, firmware, osGiB, totalGiB, ...rest }) => {
    const names = ['A', 'B', 'C'].slice(0, shape.length)
    const slots = names.flatMap((name, at) =>
      Array.from({ length: shape[at] as number }, (_, n) =>
        slot(`${name}${n + 1}`, name, { position: n + 1, mustFill: mustFill && at + n === 0 }),
      ),
    )
    const bank = soldered && names.includes(soldered[0]) ? soldered : null
    return desktop({
      ...rest,
      buffering: ['unbuffered', 'registered'],
      channels: names,
      slots: slots.map((one, at) => ({ ...one, order: ordered ? slots.length - at : null })),
      soldered: bank ? [{ channel: bank[0], module: { ...bank[1], formFactor: 'soldered' } }] : [],
      limits: {
        totalGiB,
        slotGiB: 16,
        dieGbit: null,
        osGiB,
        firmwareDataRate: firmware,
        dataRates: rows,
      },
    })
  })

const offer = (id: string): fc.Arbitrary<Offer> =>
  fc.record({
    id: fc.constant(id),
    module: planModule,
    pieces: fc.constantFrom(1, 1, 2, 3),
    price: fc.integer({ min: 0, max: 6 }).map((n) => n * 10),
    stock: fc.constantFrom(1, 2),
  })

const owned = fc
  .tuple(planModule, fc.option(fc.constantFrom('K', 'L'), { freq: 2 }))
  .map(([module, id]) => ({ ...module, kit: id ? { id, size: 2 } : null }))

/** A maker's list of some of the articles. */
const listed = fc
  .subarray(ARTICLES, { minLength: 1 })
  .chain((articles) =>
    fc.tuple(
      ...articles.map((article) =>
        fc.record({ article: fc.constant(article), modules: fc.integer({ min: 1, max: 4 }) }),
      ),
    ),
  )

/** Small planning requests with at most six single pieces; every one can be searched in full. */
export const planCase = (policy: Policy): fc.Arbitrary<PlanCase> =>
  fc.record({
    machine,
    onHand: fc.array(owned, { maxLength: 2 }),
    offers: fc.tuple(offer('x'), offer('y')).map((some) => some.slice(0, 2)),
    need: fc.record({
      minGiB: fc.constantFrom(0, 8, 16, 20),
      budget: fc.option(fc.constantFrom(0, 30, 80)),
      freeSlots: fc.constantFrom(0, 0, 0, 1, 2),
      listed: fc.option(listed, { freq: 2 }),
    }),
    policy: fc.constant(policy),
    settings: fc.record({ profile: fc.boolean(), tune: fc.boolean() }),
  })
