import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { normal, random } from '../../things/random'
import { type CompareRequest, compare, learnedScatter, looksBusy, type Session } from '.'

const session = (...runs: number[]): Session => ({ at: null, runs })
const asked = (
  before: Session[],
  after: Session[],
  more: Partial<CompareRequest> = {},
): CompareRequest => ({ better: 'higher', before, after, quantum: 1e-9, ...more })

describe('by hand', () => {
  test('one session a side of runs that do not scatter', () => {
    // A session’s centre scatters by 0.009², and by 0.006² ÷ the worth of three runs, each 0.9 as its
    // neighbour: 9 ÷ (3 + 2 (2 × 0.9 + 0.81)) = 1.0949. Twice that for two sides, times 2.38.
    const shop = { withinSd: 0.006, sessionSd: 0.009 }
    const each = 0.009 ** 2 + 0.006 ** 2 / 1.0948905
    const half = 2.38 * Math.sqrt(2 * each)
    const got = compare(asked([session(50, 50, 50)], [session(52, 52, 52)], { shop }))
    expect(got.ratio).toBeCloseTo(1.04, 9)
    expect(Math.log(got.high / got.ratio)).toBeCloseTo(half, 6)
    expect(Math.log(got.ratio / got.low)).toBeCloseTo(half, 6)
    expect(got.verdict).toBe('gain')
    expect(got.worthwhile).toBeNull()
    expect(got.notes).toEqual(['ONE_SESSION'])
    expect(got.before).toEqual({ sessions: 1, count: 3, mean: expect.closeTo(50, 9) })
  })

  test('of two sessions a side the scatter halves, and what settles it is said', () => {
    const shop = { withinSd: 0.006, sessionSd: 0.009 }
    const near = [session(50, 50, 50)]
    const small = [session(51.5, 51.5, 51.5)]
    const one = compare(asked(near, small, { shop }))
    expect(one).toMatchObject({ verdict: 'cannot-tell', next: { sessions: 1, runs: 3 } })
    const two = compare(asked([...near, ...near], [...small, ...small], { shop }))
    expect(two.verdict).toBe('gain')
    expect(Math.log(two.high / two.low) / Math.log(one.high / one.low)).toBeCloseTo(Math.SQRT1_2, 6)
    expect(two.next).toBeNull()
  })

  test('three equal runs are no certainty', () => {
    const { verdict, low, high } = compare(asked([session(60, 60, 60)], [session(61, 61, 61)]))
    expect(verdict).toBe('cannot-tell')
    expect(high / low).toBeGreaterThan(1.05)
  })

  test('a figure printed in steps carries a twelfth of their square, however many sessions', () => {
    const many = (value: number) => Array.from({ length: 40 }, () => session(value, value, value))
    const coarse = compare(asked(many(20), many(21), { quantum: 1 }))
    // 1 ÷ 20 and 1 ÷ 21, squared and ÷ 12, under the root: 0.0199; times 2.38 is 0.0475 of ln 1.05 = 0.0488.
    expect(coarse.notes).toContain('QUANTISED')
    expect(Math.log(coarse.high / coarse.ratio)).toBeGreaterThan(0.0475)
    expect(compare(asked(many(20), many(21), { quantum: 0.01 })).notes).not.toContain('QUANTISED')
    // Left out, the step is taken from how the figures are written.
    const { quantum: _, ...open } = asked(many(20), many(21))
    expect(compare(open).high).toBeCloseTo(coarse.high, 9)
  })

  test('figures that count downwards', () => {
    const times = [session(100, 101, 99), session(100, 99, 101)]
    const shorter = [session(80, 81, 79), session(80, 79, 81)]
    expect(compare(asked(times, shorter, { better: 'lower' }))).toMatchObject({
      verdict: 'gain',
      worthwhile: true,
      ratio: expect.closeTo(1.25, 2),
    })
    expect(compare(asked(shorter, times, { better: 'lower' }))).toMatchObject({
      verdict: 'loss',
      worthwhile: false,
    })
  })

  test('alike, once the interval lies within what is worth anything', () => {
    const steady = (value: number) => [0, 1, 2].map(() => session(value, value * 1.001, value))
    const shop = { withinSd: 0.002, sessionSd: 0.003 }
    const got = compare(asked(steady(70), steady(70.2), { shop }))
    expect(got).toMatchObject({ verdict: 'alike', worthwhile: false, next: null })
    const strict = compare(asked(steady(70), steady(70.2), { shop, worthwhile: 0.001 }))
    expect(strict.verdict).toBe('cannot-tell')
  })
})

describe('what is odd', () => {
  test('a slow first run and a far one are set aside and said', () => {
    const odd = compare(asked([session(40, 60, 60.2, 59.8, 60)], [session(60, 60.1, 75, 59.9, 60)]))
    expect(odd.notes).toEqual(['ONE_SESSION', 'FIRST_RUN_ODD', 'OUTLIER'])
    expect(odd.ratio).toBeCloseTo(1, 2)
  })

  test('of three runs with one far off, nobody knows for sure which is', () => {
    const clean = compare(asked([session(60, 60, 60)], [session(72, 72, 72)]))
    const doubtful = compare(asked([session(60, 60, 60)], [session(72, 60, 72)]))
    expect(clean.verdict).toBe('gain')
    expect(doubtful.verdict).toBe('cannot-tell')
  })

  test('runs going one way are told; so is that all of one came before all of the other', () => {
    const falling = session(60, 59.4, 58.8, 58.2, 57.6, 57)
    expect(compare(asked([falling], [falling])).notes).toContain('DRIFT')
    const at = (day: number): Session => ({ at: `2030-02-0${day}T10:00:00Z`, runs: [60, 60, 60] })
    expect(compare(asked([at(1), at(2)], [at(3)])).notes).toContain('ORDER')
    expect(compare(asked([at(1), at(3)], [at(2)])).notes).not.toContain('ORDER')
    expect(compare(asked([at(1), session(60, 60, 60)], [at(3)])).notes).not.toContain('ORDER')
  })

  test('sessions that scatter more than was assumed widen the interval', () => {
    const spread = [session(50, 50, 50), session(55, 55, 55), session(60, 60, 60)]
    const other = [session(60, 60, 60), session(66, 66, 66), session(72, 72, 72)]
    const { verdict, ratio } = compare(asked(spread, other))
    expect(ratio).toBeCloseTo(1.2, 2)
    expect(verdict).toBe('cannot-tell')
  })

  test('too few runs, empty sessions, and runs that cannot be', () => {
    const two = compare(asked([session(1, 2)], [session(1, 2, 3)]))
    expect(two).toMatchObject({ verdict: 'too-few', next: { sessions: 1, runs: 3 } })
    expect(compare(asked([], [])).verdict).toBe('too-few')
    // Three sessions of one run each say something, but little.
    const single = () => [session(50), session(50), session(50)]
    const long = () => [session(50, 50, 50)]
    const wide = ({ low, high }: { low: number; high: number }) => high / low
    const [alone, together] = [compare(asked(single(), long())), compare(asked(long(), long()))]
    expect(alone.verdict).toBe('cannot-tell')
    expect(wide(alone)).toBeGreaterThan(wide(together))
    for (const bad of [0, -1, Number.NaN, Infinity]) {
      expect(() => compare(asked([session(1, bad, 2)], [session(1, 2, 3)]))).toThrow(RangeError)
    }
    const shop = { withinSd: -1, sessionSd: 0 }
    expect(() => compare(asked([], [], { shop }))).toThrow(RangeError)
  })
})

describe('always', () => {
  const runs = fc.array(fc.double({ min: 10, max: 1000, noNaN: true }), {
    minLength: 3,
    maxLength: 8,
  })
  const sessions = fc.array(
    runs.map((own) => session(...own)),
    { minLength: 1, maxLength: 3 },
  )

  test('turned round, the ratio turns round; a scale is no matter', () => {
    fc.assert(
      fc.property(
        sessions,
        sessions,
        fc.double({ min: 0.1, max: 10, noNaN: true }),
        (a, b, scale) => {
          const [there, back] = [compare(asked(a, b)), compare(asked(b, a))]
          expect(there.ratio * back.ratio).toBeCloseTo(1, 6)
          expect(there.low).toBeLessThanOrEqual(there.ratio)
          expect(there.high).toBeGreaterThanOrEqual(there.ratio)
          const scaled = (own: Session[]) =>
            own.map(({ runs: each }) => session(...each.map((run) => run * scale)))
          const got = compare(asked(scaled(a), scaled(b), { quantum: 1e-9 * scale }))
          expect(got.ratio / there.ratio).toBeCloseTo(1, 6)
        },
      ),
    )
  })

  test('the order of sessions is no matter, nor that of even runs but for drift', () => {
    fc.assert(
      fc.property(sessions, sessions, (a, b) => {
        const got = compare(asked([...a].reverse(), b))
        expect(got.ratio / compare(asked(a, b)).ratio).toBeCloseTo(1, 9)
      }),
    )
    const [x, y] = [session(60, 60.3, 59.9), session(60.3, 59.9, 60)]
    const against = [session(61, 61.2, 61)]
    expect(compare(asked([x], against)).ratio).toBeCloseTo(compare(asked([y], against)).ratio, 9)
  })
})

/** Sessions of runs whose truth only the test knows. */
interface World {
  sessions: number
  runs: number
  /** How like the run before each is. */
  alike?: number
  outliers?: number
  oddFirst?: number
  drift?: number
  step?: number
  looks?: number
  gain?: number
  sessionSd?: number
}

function called(seed: number, world: World, times: number): { gains: number; losses: number } {
  const chance = random(seed)
  const noise = normal(chance)
  const { alike = 0, outliers = 0, oddFirst = 0, drift = 0, step, looks = 1, gain = 0 } = world
  const sessionSd = world.sessionSd ?? 0.01
  const make = (level: number): Session => {
    const place = level + sessionSd * noise()
    let own = 0.01 * noise()
    const runs = Array.from({ length: world.runs }, (_, at) => {
      if (at > 0) own = alike * own + Math.sqrt(1 - alike ** 2) * 0.01 * noise()
      const odd = chance() < outliers ? 0.25 : 0
      const first = at === 0 ? -oddFirst : 0
      const run = 20 * Math.exp(place + own + odd + first + drift * at)
      return step ? Math.max(step, Math.round(run / step) * step) : run
    })
    return session(...runs)
  }
  const count = { gains: 0, losses: 0 }
  for (let time = 0; time < times; time += 1) {
    const before = Array.from({ length: world.sessions }, () => make(0))
    const after = Array.from({ length: world.sessions }, () => make(gain))
    const more = { shop: { withinSd: 0.01, sessionSd }, ...(step ? { quantum: step } : {}) }
    let { verdict } = compare(asked(before, after, more))
    for (let look = 1; look < looks && verdict !== 'gain' && verdict !== 'loss'; look += 1) {
      before.push(make(0))
      after.push(make(gain))
      verdict = compare(asked(before, after, more)).verdict
    }
    if (verdict === 'gain') count.gains += 1
    if (verdict === 'loss') count.losses += 1
  }
  return count
}

describe('simulated, with truths it does not know', () => {
  const worlds: [string, World][] = [
    ['even runs', { sessions: 1, runs: 3 }],
    ['runs as alike as 0.9', { sessions: 1, runs: 8, alike: 0.9 }],
    ['three sessions of such', { sessions: 3, runs: 5, alike: 0.9 }],
    ['one run of ten far off, three runs', { sessions: 1, runs: 3, outliers: 0.1 }],
    ['one run of ten far off, three sessions', { sessions: 3, runs: 3, outliers: 0.1 }],
    ['an odd first run', { sessions: 2, runs: 3, oddFirst: 0.15 }],
    ['drift', { sessions: 2, runs: 8, drift: 0.01 }],
    ['coarse figures', { sessions: 2, runs: 4, step: 1 }],
    ['five looks', { sessions: 1, runs: 3, looks: 5 }],
    ['five looks, all at once odd', { sessions: 1, runs: 4, looks: 5, alike: 0.9, outliers: 0.1 }],
  ]
  test.each(worlds)('%s: no difference is called one in at most 6 of 100', (_, world) => {
    const times = 500
    const { gains, losses } = called(11, world, times)
    expect((gains + losses) / times).toBeLessThanOrEqual(0.06)
  })

  test('5 % more, two sessions of five runs a side: a gain in at least 85 of 100, never a loss', () => {
    const world = { sessions: 2, runs: 5, gain: Math.log(1.05), sessionSd: 0.009 }
    const { gains, losses } = called(12, world, 500)
    expect(gains / 500).toBeGreaterThanOrEqual(0.85)
    expect(losses).toBe(0)
  })
})

describe('what the shop’s own sessions teach', () => {
  test('nothing of its own: what is usual', () => {
    expect(learnedScatter([])).toEqual({ withinSd: 0.01, sessionSd: 0.01, sessions: 0 })
  })

  test('many sessions move it to what they scatter by', () => {
    const noise = normal(random(5))
    const group = () =>
      Array.from({ length: 4 }, () => {
        const place = 0.06 * noise()
        return Array.from({ length: 6 }, () => 30 * Math.exp(place + 0.004 * noise()))
      })
    const got = learnedScatter(Array.from({ length: 30 }, group))
    expect(got.sessions).toBe(120)
    expect(got.withinSd).toBeGreaterThan(0.0035)
    expect(got.withinSd).toBeLessThan(0.005)
    expect(got.sessionSd).toBeGreaterThan(0.05)
    expect(got.sessionSd).toBeLessThan(0.07)
    // A single repeated pair moves it a little only.
    const little = learnedScatter([
      [
        [30, 30, 30],
        [33, 33, 33],
      ],
    ])
    expect(little.sessionSd).toBeGreaterThan(0.01)
    expect(little.sessionSd).toBeLessThan(0.04)
  })

  test('rounds with something else at work are told', () => {
    expect(looksBusy([30, 30.5, 29.8, 30.2, 30.1, 30, 29.9])).toBe(false)
    expect(looksBusy([30, 30.5, 8, 30.2, 30.1, 30, 29.9])).toBe(false)
    expect(looksBusy([30, 12, 8, 30.2, 41, 30, 19])).toBe(true)
    expect(looksBusy([30, 12])).toBe(false)
  })
})

describe('what scatters', () => {
  test('rates that few frames make scatter more than their average, where nothing is learned', () => {
    const width = (figure: 'average' | 'low1' | 'low01') => {
      const { low, high } = compare(asked([session(50, 50, 50)], [session(52, 52, 52)], { figure }))
      return Math.log(high / low)
    }
    expect(width('low1') / width('average')).toBeCloseTo(4, 1)
    expect(width('low01') / width('average')).toBeCloseTo(8, 1)
  })

  test('sessions of one state that lie apart widen the range, at once and said', () => {
    const shop = { withinSd: 0.006, sessionSd: 0.009 }
    const close = compare(
      asked([session(50, 50, 50), session(50.2, 50.2, 50.2)], [session(52, 52, 52)], { shop }),
    )
    const apart = compare(
      asked([session(49, 49, 49), session(51.2, 51.2, 51.2)], [session(52, 52, 52)], { shop }),
    )
    expect(close.notes).not.toContain('SESSIONS_DISAGREE')
    expect(apart.notes).toContain('SESSIONS_DISAGREE')
    expect(apart.high / apart.low).toBeGreaterThan(close.high / close.low)
  })
})

describe('a machine that drifts', () => {
  const shop = { withinSd: 0.006, sessionSd: 0.009 }
  const steps = (...values: number[]) => values.map((value) => session(value, value, value))
  test('by as much from session to session as between the states is not called a change', () => {
    const got = compare(asked(steps(100, 101, 102), steps(103, 104, 105), { shop }))
    expect(got).toMatchObject({ verdict: 'cannot-tell', worthwhile: null })
  })
  test('a jump between states that are level is', () => {
    const got = compare(asked(steps(100, 100.4, 99.8), steps(105, 104.8, 105.3), { shop }))
    expect(got.verdict).toBe('gain')
  })
  test('by turns the drift falls on both, and the change is called', () => {
    const at = (day: number) => `2026-03-0${day}T10:00:00Z`
    const dated = (days: number[], ...values: number[]) =>
      values.map((value, n) => ({ ...session(value, value, value), at: at(days[n] as number) }))
    const before = dated([1, 3, 5], 100, 102, 104)
    const after = dated([2, 4, 6], 107, 109, 111)
    expect(compare(asked(before, after, { shop })).verdict).toBe('gain')
  })
})

describe('further sessions', () => {
  const shop = { withinSd: 0.006, sessionSd: 0.009 }
  test('are hopeless only where five would hardly settle it whatever the truth is', () => {
    // 2.5 % seen, between nothing and worthwhile: more sessions may well move it either way.
    const open = compare(asked([session(50, 50, 50)], [session(51.25, 51.25, 51.25)], { shop }))
    expect(open.verdict).toBe('cannot-tell')
    expect(open.next).not.toBeNull()
    // A step of 1 in 20 is not lessened by any number of sessions.
    const many = (value: number) => Array.from({ length: 40 }, () => session(value, value, value))
    const coarse = compare(asked(many(20), many(20.5), { quantum: 1 }))
    expect(coarse).toMatchObject({ verdict: 'cannot-tell', next: null })
  })
})

test('frames held to a rate tell of no difference and of none', () => {
  const alike = [session(60, 60, 60), session(60.01, 60, 60)]
  expect(compare(asked(alike, alike, { worthwhile: 0.05 })).verdict).toBe('alike')
  const held = compare(asked(alike, alike, { worthwhile: 0.05, capped: true }))
  expect(held).toMatchObject({ verdict: 'cannot-tell', worthwhile: null, next: null })
  expect(held.notes).toContain('CAPPED')
})

test('figures of one log are one family: together they call no oftener than one alone', () => {
  const draw = normal(random(11))
  const pairs = 400
  let called = 0
  for (let pair = 0; pair < pairs; pair += 1) {
    const verdicts = Array.from({ length: 5 }, () => {
      const side = () =>
        Array.from({ length: 2 }, () => {
          const centre = 60 * Math.exp(0.01 * draw())
          return { at: null, runs: [1, 2, 3].map(() => centre * Math.exp(0.01 * draw())) }
        })
      return compare({ better: 'higher', before: side(), after: side(), family: 5 }).verdict
    })
    if (verdicts.some((verdict) => verdict === 'gain' || verdict === 'loss')) called += 1
  }
  expect(called / pairs).toBeLessThanOrEqual(0.1)
})
