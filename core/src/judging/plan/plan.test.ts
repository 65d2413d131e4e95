import { describe, expect, test } from 'vitest'
import { desktop, profiled, slot, stick } from '../../../test/builders'
import type { Module, RankChoice } from '../../things/model'
import { evaluate } from '../evaluate'
import {
  consequences,
  mixingRisk,
  type Offer,
  type PlanOption,
  type PlanRequest,
  plan,
  type RecommendationCase,
  recommendations,
  verdicts,
} from '.'

const offer = (id: string, price: number, changes: Partial<Module>, pieces = 1): Offer => ({
  id,
  module: stick({ article: id, ...changes }),
  pieces,
  price,
  stock: 4,
})

const kit32 = offer('kit 2x16', 7000, { capacityGiB: 16 }, 2)
const single8 = offer('single 8', 2500, { capacityGiB: 8 })

function request(changes: Partial<PlanRequest> = {}): PlanRequest {
  return {
    machine: desktop(),
    onHand: [stick({ article: 'own' }), stick({ article: 'own' })],
    offers: [kit32, single8],
    need: { minGiB: 0, budget: null },
    policy: 'balanced',
    settings: { profile: false },
    ...changes,
  }
}

const brief = (asked: PlanRequest) =>
  plan(asked).options.map(({ cost, usableGiB }) => `${cost}: ${usableGiB}`)

describe('options', () => {
  test('go from keeping what is there to the most that fits', () => {
    // 2x8 stay at 3200; 4x8 and 2x8 + 2x16 fall to 2933, which brings more memory at a lower peak.
    expect(brief(request())).toEqual(['0: 16', '5000: 32', '7000: 48', '7000: 32', '14000: 64'])
  })

  test('a matched set takes no second article', () => {
    expect(brief(request({ policy: 'matched' }))).toEqual(['0: 16', '7000: 32'])
  })

  test('the pieces of a kit lie on different channels, in the slots the maker fills first', () => {
    const { options } = plan(request({ onHand: [], offers: [kit32] }))
    const pair = options.find(({ usableGiB }) => usableGiB === 32)
    expect(pair?.placement).toEqual({
      A2: { source: 'offer', id: 'kit 2x16', unit: 0 },
      B2: { source: 'offer', id: 'kit 2x16', unit: 1 },
    })
    const four = options.find(({ usableGiB }) => usableGiB === 64)
    expect(four?.placement.A1).toEqual({ source: 'offer', id: 'kit 2x16', unit: 2 })
    expect(four?.evaluation.findings.map(({ code }) => code)).toContain('KITS_COMBINED')
  })

  test('of two ways to the same figures the one with fewer purchases is taken', () => {
    const pair = offer('pair 2x8', 5000, { capacityGiB: 8 }, 2)
    const { options } = plan(request({ onHand: [], offers: [single8, pair] }))
    expect(options.find(({ usableGiB }) => usableGiB === 16)?.purchases).toBe(1)
  })

  test('a budget of nothing leaves what is there', () => {
    expect(brief(request({ need: { minGiB: 0, budget: 0 } }))).toEqual(['0: 16'])
  })

  test('soldered memory that is enough needs no module', () => {
    const machine = desktop({
      slots: [slot('B1', 'B')],
      soldered: [{ channel: 'A', module: stick({ formFactor: 'soldered' }) }],
    })
    const { options } = plan(request({ machine, onHand: [], policy: 'capacity' }))
    expect(options[0]).toMatchObject({ cost: 0, usableGiB: 8, placement: {} })
  })
})

describe('what cannot be used is set aside with its reason', () => {
  test('pieces and offers of the wrong shape, the wrong kind, sold out or told twice', () => {
    const answer = plan(
      request({
        onHand: [stick({ generation: 'DDR3' }), { article: 'half a module' }],
        offers: [
          kit32,
          { ...kit32, stock: 0 },
          { ...single8, module: stick({ capacityGiB: 3 }) },
          offer('too many', 100, {}, 5),
          'nonsense',
        ],
      }),
    )
    expect(
      answer.setAside.map(({ source, index, reasons }) => [source, index, ...reasons]),
    ).toEqual([
      ['onHand', 0, 'WRONG_GENERATION'],
      ['onHand', 1, 'NOT_A_MODULE'],
      ['offer', 1, 'DOUBLED_ID', 'OUT_OF_STOCK'],
      ['offer', 2, 'NOT_AN_OFFER'],
      ['offer', 3, 'TOO_MANY_PIECES'],
      ['offer', 4, 'NOT_AN_OFFER'],
    ])
    expect(answer.setAside[3]?.fields.map(({ path }) => path)).toEqual(['module.capacityGiB'])
    expect(answer.options.map(({ usableGiB }) => usableGiB)).toEqual([32, 64])
  })
})

describe('where nothing is feasible', () => {
  test('a demand above what the machine takes names the most it can have', () => {
    const { options, blockers } = plan(request({ need: { minGiB: 256, budget: null } }))
    expect(options).toEqual([])
    expect(blockers.map(({ requirements, to }) => [requirements, to])).toEqual([
      [['minGiB'], { minGiB: 64 }],
    ])
  })

  test('each requirement that would do it alone is named with the nearest plan', () => {
    const { blockers } = plan(request({ policy: 'matched', need: { minGiB: 32, budget: 5000 } }))
    // For 50.00 a matched set has 16; 32 costs 70.00 matched, or 50.00 with two singles beside the old.
    expect(blockers.map(({ to, option }) => [to, option?.cost])).toEqual([
      [{ minGiB: 16 }, 0],
      [{ budget: 7000 }, 7000],
      [{ policy: 'balanced' }, 5000],
    ])
  })

  test('where no one requirement alone would do, the smallest sets of two are named', () => {
    const { blockers } = plan(request({ policy: 'matched', need: { minGiB: 256, budget: 0 } }))
    expect(blockers.map(({ requirements }) => requirements)).not.toContainEqual(['budget'])
    expect(blockers.length).toBeGreaterThan(0)
  })

  test('nothing that starts the machine: it is the supply', () => {
    const { blockers } = plan(request({ onHand: [], offers: [] }))
    expect(blockers).toEqual([{ requirements: ['supply'], to: {}, option: null }])
  })

  test('slots that are to stay empty stay empty', () => {
    const asked = request({ policy: 'capacity', need: { minGiB: 0, budget: null, freeSlots: 3 } })
    for (const { placement } of plan(asked).options) {
      expect(Object.keys(placement).length).toBeLessThanOrEqual(1)
    }
  })
})

test('a search reports how far it has come, and ends where the listener throws', () => {
  const many = Array.from({ length: 40 }, (_, at) =>
    offer(`o${at}`, 1000 + 37 * at, {
      capacityGiB: [4, 8, 16, 32][at % 4] as number,
      ranks: (at % 2) + 1,
    }),
  )
  const shares: number[] = []
  plan(request({ offers: many, policy: 'capacity' }), (share) => shares.push(share))
  expect(shares.length).toBeGreaterThan(0)
  expect(shares).toEqual([...shares].sort((a, b) => a - b))
  expect(Math.max(...shares)).toBeLessThanOrEqual(1)
  const stop = () => {
    throw new Error('enough')
  }
  expect(() => plan(request({ offers: many, policy: 'capacity' }), stop)).toThrow('enough')
})

describe('verdicts', () => {
  test('a kit in both channels pleases every school', () => {
    const half = stick({ kit: { id: 'k', size: 2 } })
    expect(verdicts(desktop(), { A2: half, B2: half })).toEqual({
      matched: [],
      balanced: [],
      capacity: [],
    })
  })

  test('uneven channels of two articles please only who wants capacity', () => {
    const placement = { A2: stick({ capacityGiB: 16 }), B2: stick({ article: 'other' }) }
    expect(verdicts(desktop(), placement)).toEqual({
      matched: ['CHANNELS_UNEVEN', 'ARTICLES_MIXED'],
      balanced: ['CHANNELS_UNEVEN'],
      capacity: [],
    })
  })
})

describe('the risk of mixing', () => {
  const level = (placement: Record<string, Module>, profile = false, touchy = false) =>
    mixingRisk(desktop(), placement, { profile }, touchy)

  test('two of a kind carry none', () => {
    expect(level({ A2: stick(), B2: stick() }, true, true)).toEqual({ level: 'none', reasons: [] })
  })

  test('another article of the same build carries little, on a touchy platform some', () => {
    const placement = { A2: stick(), B2: stick({ article: 'q' }) }
    expect(level(placement)).toEqual({ level: 'low', reasons: ['ARTICLES'] })
    expect(level(placement, false, true).level).toBe('some')
  })

  test('kits combined and soldered memory count, as the findings do', () => {
    const kit = (id: string) => stick({ kit: { id, size: 2 } })
    const two = { A1: kit('x'), A2: kit('x'), B1: kit('y'), B2: kit('y') }
    expect(level(two)).toEqual({ level: 'low', reasons: ['KITS'] })
    const soldered = [{ channel: 'A', module: stick({ article: 'bank', ranks: 2 }) }]
    const beside = mixingRisk(desktop({ soldered }), { B2: stick() }, { profile: false }, false)
    expect(beside).toEqual({ level: 'low', reasons: ['SOLDERED'] })
  })

  test('other dies and ranks with a profile carry much', () => {
    const placement = {
      A2: profiled(3600),
      B2: profiled(3600, { article: 'q', ranks: 2, capacityGiB: 16, deviceWidth: 8 }),
    }
    expect(level(placement, true)).toEqual({
      level: 'high',
      reasons: ['ARTICLES', 'RANKS', 'PROFILE'],
    })
  })
})

describe('recommendations', () => {
  const asked = request()
  const byPolicy = {
    matched: plan({ ...asked, policy: 'matched' }).options,
    balanced: plan(asked).options,
    capacity: plan({ ...asked, policy: 'capacity' }).options,
  }
  const found = evaluate({
    machine: desktop(),
    placement: { A2: stick(), B2: stick() },
    settings: { profile: false },
  })
  const given = (changes: Partial<RecommendationCase> = {}): RecommendationCase => ({
    machine: desktop(),
    found,
    byPolicy,
    policy: 'balanced',
    gainOf: () => 1,
    ...changes,
  })
  const by = (given: RecommendationCase) =>
    new Map(recommendations(given).map((pick) => [pick.name, pick]))

  test('where memory brings nothing, nothing is bought', () => {
    const named = by(given())
    expect(named.get('lowest-cost')?.option.cost).toBe(0)
    expect(named.get('best-for-use')?.reasons[0]).toEqual({ code: 'NO_GAIN_FOR_MORE' })
  })

  test('the best for the use is the cheapest of those that gain alike', () => {
    // Work that wants 30 GiB: everything from 32 on gains the same but for a per cent.
    const gainOf = (one: PlanOption) => (one.usableGiB >= 32 ? 1.5 + one.wholePeakGBs / 1e4 : 1)
    const best = by(given({ gainOf })).get('best-for-use')
    expect(best?.option.cost).toBe(5000)
    expect(best?.reasons.map(({ code }) => code)).toEqual(['GAIN', 'KEEPS_OWN'])
    expect(best?.givesUp).toContainEqual({ code: 'COSTS_MORE', by: 5000 })
    expect(best?.givesUp).toContainEqual({ code: 'MIXES' })
  })

  test('where nothing gains speed, the best for the use is the cheapest that comes steadier', () => {
    const isSteadier = (one: PlanOption) => one.usableGiB >= 32
    const best = by(given({ isSteadier })).get('best-for-use')
    expect(best?.option.usableGiB).toBeGreaterThanOrEqual(32)
    expect(best?.reasons).toContainEqual({ code: 'STEADIER' })
  })

  test('two ranks on each channel are a reason, where the modules have them', () => {
    const gainOf = (one: PlanOption) => (one.usableGiB >= 32 ? 1.5 + one.wholePeakGBs / 1e4 : 1)
    const codes = (ranks: number) =>
      by(given({ gainOf, moduleOf: () => stick({ ranks }) }))
        .get('best-for-use')
        ?.reasons.map(({ code }) => code)
    expect(codes(2)).toContain('TWO_RANKS')
    // Four of one rank are two on each channel as well; two are not.
    const four = by(given({ gainOf, moduleOf: () => stick() })).get('best-for-use')
    const pieces = Object.keys(four?.option.placement ?? {}).length
    expect(four?.reasons.some(({ code }) => code === 'TWO_RANKS')).toBe(pieces === 4)
  })

  test('the ranks that the shop chooses decide among options that gain alike', () => {
    const gainOf = (one: PlanOption) => (one.usableGiB >= 32 ? 1.5 : 1)
    const costOf = (ranks: RankChoice, module = stick()) =>
      by(given({ gainOf, moduleOf: () => module, ranks })).get('best-for-use')?.option.cost
    // Four modules of one rank are two on each channel, and cheaper than two of the kit, which are one.
    expect(costOf('any')).toBe(5000)
    expect(costOf('two')).toBe(5000)
    expect(costOf('one')).toBe(7000)
    // At standard speeds the choice by speed asks for two.
    expect(costOf('by-rate')).toBe(5000)
    // Where none has them, the cheapest is named all the same.
    expect(costOf('one', stick({ ranks: 2 }))).toBe(5000)
  })

  test('the cheapest says by which policy it is, where another has a cheaper one', () => {
    const reasonsOf = (given: RecommendationCase) => by(given).get('lowest-cost')?.reasons[0]
    const all = given()
    const dear = all.byPolicy.balanced.filter(({ cost }) => cost > 0)
    const byPolicy = { ...all.byPolicy, balanced: dear }
    expect(reasonsOf({ ...all, byPolicy })).toMatchObject({ code: 'CHEAPEST', under: 'balanced' })
    const alone = { matched: dear, balanced: dear, capacity: dear }
    expect(reasonsOf({ ...all, byPolicy: alone })).toMatchObject({ code: 'CHEAPEST', under: null })
  })

  test('the safest is one matched set where the others mix', () => {
    const gainOf = (one: PlanOption) => (one.usableGiB >= 32 ? 1.5 : 1)
    const from32 = request({ need: { minGiB: 32, budget: null } })
    const answers = {
      matched: plan({ ...from32, policy: 'matched' }).options,
      balanced: plan(from32).options,
      capacity: plan({ ...from32, policy: 'capacity' }).options,
    }
    const safest = by(given({ byPolicy: answers, gainOf })).get('safest')
    expect(safest?.option.cost).toBe(7000)
    expect(safest?.reasons).toEqual([{ code: 'ONE_SET' }])
    expect(safest?.givesUp).toContainEqual({ code: 'COSTS_MORE', by: 2000 })
  })

  test('start now, add later: the fewest pieces, a slot for the partner, which is named', () => {
    const empty = request({ onHand: [], need: { minGiB: 8, budget: null } })
    const answers = {
      matched: plan({ ...empty, policy: 'matched' }).options,
      balanced: plan(empty).options,
      capacity: plan({ ...empty, policy: 'capacity' }).options,
    }
    const nothing = evaluate({ machine: desktop(), placement: {}, settings: { profile: false } })
    const moduleOf = () => stick()
    const later = by(given({ found: nothing, byPolicy: answers, moduleOf })).get('add-later')
    // Two of them at once, as one matched set.
    const sets = answers.matched.filter(({ usableGiB }) => usableGiB >= 16)
    const today = Math.min(...sets.map(({ cost }) => cost))
    expect(Object.keys(later?.option.placement ?? {})).toHaveLength(1)
    expect(later?.reasons).toEqual([
      { code: 'FREE_SLOTS', slots: 3 },
      { code: 'PARTNER', piece: { source: 'offer', id: 'single 8', unit: 0 }, today },
    ])
  })

  test('on the maker’s list: the cheapest of which all is listed, where there is a list', () => {
    const offered = plan({ ...asked, onHand: [], need: { minGiB: 16, budget: null } }).options
    const listed = offered.filter(({ cost }) => cost > 0)
    const least = Math.min(...listed.map(({ cost }) => cost))
    const pick = by(given({ listed })).get('listed')
    expect(pick).toMatchObject({ option: { cost: least }, reasons: [{ code: 'LISTED' }] })
    expect(by(given()).has('listed')).toBe(false)
    expect(by(given({ listed: [] })).has('listed')).toBe(false)
  })

  test('nothing named is worse than what is there', () => {
    const slower = given({ gainOf: (one) => (one.usableGiB > 16 ? 0.9 : 1) })
    for (const { option } of recommendations(slower)) {
      expect(option.usableGiB).toBeGreaterThanOrEqual(16)
      expect(slower.gainOf(option)).toBeGreaterThanOrEqual(0.995)
    }
    expect(recommendations(given({ gainOf: () => 0.9 }))).toEqual([])
  })
})

test('what one change would bring and settle, against what is', () => {
  const settings = { profile: false }
  const one = { A2: stick() }
  const pair = consequences(desktop(), one, settings, 'B2', stick())
  expect([pair.brings, pair.settles.map(({ code }) => code)]).toEqual([[], ['SINGLE_CHANNEL']])
  const wrong = consequences(desktop(), one, settings, 'B2', stick({ generation: 'DDR5' }))
  expect(wrong.brings.map(({ code }) => code)).toEqual(['WRONG_GENERATION'])
  const emptied = consequences(desktop(), one, settings, 'A2', null)
  expect(emptied.brings.map(({ code }) => code)).toEqual(['NO_MEMORY'])
})
