import { soakPlan } from '@tembrix/core/bench/soak'
import type { AboveRating, Grade } from '@tembrix/core/judging/evaluate'
import { evaluate } from '@tembrix/core/judging/evaluate'
import { forecast, type MemoryState } from '@tembrix/core/judging/forecast'
import { memoryState } from '@tembrix/core/judging/sizing'
import type { Added, OfferFacts, TakenOut } from '@tembrix/core/shop/job'
import { STARTING_MACHINES } from '@tembrix/core/things/machines'
import { type Evaluation, type Machine, type Module, usualSpeed } from '@tembrix/core/things/model'
import { STARTING_TERMS } from '@tembrix/core/things/records'
import { describe, expect, test } from 'vitest'
import { PROMISES, type PromiseName } from './promises'
import { offerWording, usualTitle } from './wording'

const machine = STARTING_MACHINES.find(({ id }) => id === 'desktop-4-ddr4')?.machine as Machine

function module(changes: Partial<Module> = {}): Module {
  return {
    article: 'Plain-8',
    generation: 'DDR4',
    formFactor: 'DIMM',
    buffering: 'unbuffered',
    ecc: false,
    capacityGiB: 8,
    ranks: 1,
    deviceWidth: 8,
    voltages: [1.2],
    speeds: [usualSpeed('DDR4', 3200)],
    kit: null,
    ...changes,
  }
}

const run = (placement: Record<string, Module>, profile = false): Evaluation =>
  evaluate({ machine: { ...machine, syncCeiling: null }, placement, settings: { profile } })

const added = (changes: Partial<Added> = {}): Added => ({
  module: module(),
  state: 'new',
  testedOn: null,
  ...changes,
})
const out = (changes: Partial<TakenOut> = {}): TakenOut => ({
  module: module(),
  credit: null,
  goesTo: null,
  ...changes,
})

/** A quote of which nothing is known that would carry a promise. */
const bare: OfferFacts = {
  kind: 'desktop',
  before: run({ A2: module() }),
  after: run({ A2: module(), B2: module() }),
  kept: [module()],
  solderedGiB: 0,
  looked: true,
  added: [added({ state: null })],
  removed: [],
  wholeKit: null,
  gain: null,
  mixing: 'none',
  besideSoldered: false,
  above: null,
  profile: null,
  integratedGraphics: false,
  firmware: [],
  lead: null,
  soak: null,
  testHours: null,
  warranty: STARTING_TERMS.warranty,
  listedBy: null,
  other: null,
}

const above = (grade: Grade): AboveRating => ({
  dataRate: 3600,
  rating: 3200,
  share: 0.125,
  grade,
  holds: 3466,
  fallsBackTo: 3000,
})

const state = (evaluation: Evaluation) => memoryState(evaluation, 0) as MemoryState

const warranty = (changes: Partial<OfferFacts['warranty']>) => ({ ...bare.warranty, ...changes })

/** What makes each sentence true, what it then names, and what is near to it and still is not enough. */
const CASES: Record<
  PromiseName,
  { fact: Partial<OfferFacts>; names: RegExp; not: Partial<OfferFacts>[] }
> = {
  tested: {
    fact: { added: [added({ state: 'used', testedOn: '2026-11-03' })] },
    names: /tested on 3 Nov 2026/,
    not: [
      { added: [added({ state: 'used' })] },
      { added: [added({ state: 'own', testedOn: null })] },
      { added: [added({ state: 'used', testedOn: '2026-11-03' }), added({ state: 'used' })] },
      { added: [] },
    ],
  },
  wholeKit: { fact: { wholeKit: 2 }, names: /one kit of 2/, not: [{ wholeKit: null }] },
  listed: {
    fact: { listedBy: 'Board list, 2nd edition' },
    names: /maker’s list of modules tested in this computer \(“Board list, 2nd edition”\)/,
    not: [{ listedBy: null }],
  },
  stallsEnd: {
    fact: { gain: gain(true, false) },
    names: /stalls should stop/,
    not: [{ gain: gain(false, false) }, { gain: gain(true, true) }, { gain: null }],
  },
  soak: {
    fact: { soak: soakPlan({ gib: 16, raised: false, limitHours: 8, shortened: null }) },
    names: /3 full passes of the memory test, about 0\.75 to 1\.5 hours/,
    not: [{ soak: null }],
  },
  testRule: { fact: { testHours: 4 }, names: /tested for 4 hours/, not: [{ testHours: null }] },
  firmware: { fact: { firmware: ['SIZE'] }, names: /firmware/, not: [{ firmware: [] }] },
  credit: {
    fact: { removed: [out({ credit: 400 }), out({ module: module({ article: 'Other' }) })] },
    names: /8 GB \(Plain-8\) for €4\.00/,
    not: [{ removed: [out()] }, { removed: [] }],
  },
  givenBack: {
    fact: { removed: [out({ goesTo: 'customer' })] },
    names: /given back to you, as you chose/,
    not: [
      { removed: [out()] },
      { removed: [out({ goesTo: 'recycling' })] },
      { removed: [out({ goesTo: 'customer', credit: 400 })] },
    ],
  },
  inShop: {
    fact: { lead: { inShop: true } },
    names: /in our shop/,
    not: [{ lead: null }, { lead: { inShop: false, days: 0, saidOn: '2026-11-20' } }],
  },
  arrives: {
    fact: { lead: { inShop: false, days: 3, saidOn: '2026-11-20' } },
    names: /about 3 days, as the supplier said on 20 Nov 2026/,
    not: [
      { lead: null },
      { lead: { inShop: false, days: 3, saidOn: null } },
      { lead: { inShop: true } },
    ],
  },
  warrantyNew: {
    fact: { added: [added()], warranty: warranty({ newParts: 24 }) },
    names: /24 months/,
    not: [
      { added: [added()] },
      { added: [added({ state: 'used' })], warranty: warranty({ newParts: 24 }) },
    ],
  },
  warrantyUsed: {
    fact: { added: [added({ state: 'used' })], warranty: warranty({ usedParts: 6 }) },
    names: /6 months/,
    not: [
      { added: [added({ state: 'used' })] },
      { added: [added({ state: 'own' })], warranty: warranty({ usedParts: 6 }) },
    ],
  },
  warrantyWork: {
    fact: { warranty: warranty({ work: 3 }) },
    names: /our work for 3 months/,
    not: [{ warranty: bare.warranty }],
  },
  aboveRating: {
    fact: { above: above('everyday'), profile: { volts: 1.35 } },
    names:
      /3600 MT\/s on 1\.35 V; the processor is rated for 3200.*3000 MT\/s: that is what we promise/,
    not: [{ above: null }, { above: above('unlikely') }],
  },
  fallsBack: {
    fact: { above: above('unlikely') },
    names: /We promise 3000 MT\/s/,
    not: [{ above: null }, { above: above('everyday') }, { above: above('doubtful') }],
  },
}

function gain(before: boolean, after: boolean): OfferFacts['gain'] {
  const said = forecast({
    uses: [{ work: 'office', weight: 1, need: null }],
    before: state(bare.before),
    after: state(bare.after),
    disk: 'solid-state',
  })
  return {
    ...said,
    most: [4, 28],
    words: 'MUCH',
    uses: said.uses.map((use) => ({ ...use, pages: { before, after } })),
  }
}

describe.each(Object.keys(CASES) as PromiseName[])('%s', (name) => {
  const { fact, names, not } = CASES[name]
  test('is said with the fact it rests on, and names it', () => {
    expect(PROMISES[name]({ ...bare, ...fact })).toMatch(names)
    expect(offerWording({ ...bare, ...fact })).toMatch(names)
  })
  test('is not said without it', () => {
    for (const without of [{}, ...not]) {
      expect(PROMISES[name]({ ...bare, ...without })).toBe('')
    }
  })
})

test('a quote of which nothing is known promises nothing', () => {
  const said = offerWording(bare)
  expect(said).not.toMatch(/tested|warranty|stand by|given back|in our shop|arrive|should stop/)
})

test('paging is no factor: the stalls should stop, and no figure is given', () => {
  const said = offerWording({ ...bare, gain: gain(true, false) })
  expect(said).toContain('the stalls should stop')
  expect(said).not.toMatch(/times as fast|% faster/)
})

test('the rest runs along as many channels as it does', () => {
  const quad = STARTING_MACHINES.find(({ id }) => id === 'workstation-8')?.machine as Machine
  const big = (gib: number) => module({ capacityGiB: gib, buffering: 'registered', ecc: true })
  const after = evaluate({
    machine: quad,
    placement: { A1: big(32), B1: big(32), C1: big(16), D1: big(16) },
    settings: { profile: false },
  })
  expect(offerWording({ ...bare, after })).toContain(
    '64 GB can be read along four paths at once, 32 GB along two.',
  )
})

test('of 4 GB, integrated graphics or a 32-bit system leave 3 to 3.5', () => {
  const four = run({ A2: module({ capacityGiB: 4 }) })
  expect(offerWording({ ...bare, after: four, integratedGraphics: true })).toContain(
    'about 3 to 3.5 GB',
  )
  expect(offerWording({ ...bare, after: four })).toContain('It then has 4 GB.')
})

test('a mixed set is said at every level of risk, as the plan asks', () => {
  for (const mixing of ['low', 'some', 'high'] as const) {
    expect(offerWording({ ...bare, mixing })).toContain('do not come from one set')
  }
})

test('memory fixed to the board is not said to be in modules', () => {
  const twelve = { ...bare.before, capacity: { installedGiB: 12, usableGiB: 12 } }
  expect(offerWording({ ...bare, before: twelve, solderedGiB: 8 })).toContain(
    'has 12 GB of memory today, 8 GB of it fixed to the board and the rest in one module.',
  )
})

test('another spend is in words of its own, and promises nothing of the memory', () => {
  const said = (other: OfferFacts['other']) => offerWording({ ...bare, other, testHours: 4 })
  expect(said('disk')).toContain('solid-state disk')
  expect(said('nothing')).toContain('We advise to change nothing')
  for (const other of ['disk', 'cooling', 'repair', 'nothing'] as const) {
    expect(said(other)).not.toMatch(/module|GB|tested for/)
    expect(usualTitle({ ...bare, other })).not.toMatch(/GB/)
  }
})

test('an option without buying says so, and why a module comes out', () => {
  const fast = run({ A2: module(), B2: module() })
  const slow = { ...fast, run: fast.run && { ...fast.run, dataRate: 2133 } }
  const without = { ...bare, before: slow, after: fast, added: [] }
  expect(offerWording({ ...without, removed: [out()] })).toContain(
    'We take out a module of 8 GB: the rest then runs faster. Nothing has to be bought.',
  )
  expect(offerWording({ ...without, before: fast })).toContain(
    'We move what is there to the slots where it works best. Nothing has to be bought.',
  )
})

test('of games the quote says what the gain depends on, or that they come steadier', () => {
  const [one, two] = [run({ A2: module() }), run({ A2: module(), B2: module() })]
  const said = (bound: 'card' | 'processor' | null) =>
    offerWording({
      ...bare,
      gain: forecast({
        uses: [{ work: 'games', weight: 1, need: null, bound }],
        before: { ...state(one), usableGiB: 8 },
        after: { ...state(two), usableGiB: 8 },
        disk: 'solid-state',
      }),
    })
  expect(said('card')).toContain('no more speed, but a steadier picture in games')
  expect(said(null)).toMatch(
    /depends on what limits them: up to \d+ % where the processor is the limit, nothing you would notice where the graphics card is\./,
  )
  expect(said('processor')).not.toMatch(/depends|steadier/)
})

test('what the customer brought is neither new nor used and tested', () => {
  const said = offerWording({ ...bare, added: [added({ state: 'own' })] })
  expect(said).toContain('your own module')
  expect(said).not.toMatch(/new module|used|tested/)
})

describe('a machine that nobody looked into', () => {
  const unseen: OfferFacts = {
    ...bare,
    looked: false,
    before: run({}),
    after: run({ A2: module(), B2: module() }),
    kept: [],
    added: [added({ state: 'new' }), added({ state: 'new' })],
  }
  test('the quote says what goes in, and nothing of what is in it', () => {
    const said = offerWording(unseen)
    expect(said).toMatch(/^We put in two new modules of 8 GB\./)
    expect(said).not.toMatch(/no memory|today|It then|side by side|add/)
    expect(usualTitle(unseen)).toBe('16 GB of new memory')
    expect(offerWording({ ...unseen, looked: true })).toContain('has no memory in it now')
  })

  test('memory that is all fixed to the board is called that', () => {
    const fixed = { ...bare, solderedGiB: 8, kept: [], removed: [] }
    expect(offerWording(fixed)).toContain('8 GB of memory today, all of it fixed to the board.')
  })
})
