import { describe, expect, test } from 'vitest'
import { desktop, stick } from '../../../test/builders'
import {
  dieGbit,
  EvaluationRequest,
  exactRate,
  GENERATIONS,
  type Generation,
  isModuleCapacity,
  Module,
  Speed,
  STANDARD_STEPS,
  usualOrganisation,
  usualSpeed,
  usualTimes,
  usualVoltages,
} from '.'

function faults(request: unknown): string[] {
  const parsed = EvaluationRequest.safeParse(request)
  return parsed.success ? [] : parsed.error.issues.map((issue) => issue.path.join('.'))
}

const request = { machine: desktop(), placement: { A2: stick() }, settings: { profile: false } }

describe('an evaluation request', () => {
  test('is accepted as the contract writes it', () => {
    expect(faults(request)).toEqual([])
  })

  test.each<[string, unknown, string[]]>([
    ['an unknown slot', { ...request, placement: { Z9: stick() } }, ['placement.Z9']],
    [
      'a slot on a channel the machine lacks',
      { ...request, machine: desktop({ channels: ['A'] }) },
      ['machine.slots.2.channel', 'machine.slots.3.channel'],
    ],
    [
      'a bank on a channel the machine lacks',
      {
        ...request,
        machine: desktop({
          soldered: [{ channel: 'C', module: stick({ formFactor: 'soldered' }) }],
        }),
      },
      ['machine.soldered.0.channel'],
    ],
    [
      'a slot listed twice',
      {
        ...request,
        machine: desktop({ slots: [...desktop().slots, ...desktop().slots.slice(0, 1)] }),
      },
      ['machine.slots.4.id'],
    ],
    [
      'no channel',
      { ...request, machine: desktop({ channels: [], slots: [] }), placement: {} },
      ['machine.channels'],
    ],
    [
      'no rating row',
      { ...request, machine: desktop({ limits: { ...desktop().limits, dataRates: [] } }) },
      ['machine.limits.dataRates'],
    ],
    [
      'a module without a standard speed',
      {
        ...request,
        placement: { A2: stick({ speeds: [{ ...stick().speeds[0], kind: 'profile' } as never] }) },
      },
      ['placement.A2.speeds'],
    ],
    ...[0, 3, 5, -8, 1e9, 8.5].map((capacityGiB): [string, unknown, string[]] => [
      `a capacity of ${capacityGiB}`,
      { ...request, placement: { A2: stick({ capacityGiB }) } },
      ['placement.A2.capacityGiB'],
    ]),
    [
      'half a rank',
      { ...request, placement: { A2: stick({ ranks: 1.5 }) } },
      ['placement.A2.ranks'],
    ],
    [
      'a rate of 0',
      {
        ...request,
        placement: { A2: stick({ speeds: [{ ...stick().speeds[0], dataRate: 0 } as never] }) },
      },
      ['placement.A2.speeds.0.dataRate'],
    ],
    [
      'a name without end',
      { ...request, machine: desktop({ name: 'x'.repeat(1e5) }) },
      ['machine.name'],
    ],
  ])('%s is refused where it stands', (_, bad, paths) => {
    expect(faults(bad)).toEqual(paths)
  })
})

test('a soldered bank may have a capacity that no stick has', () => {
  expect(Module.safeParse(stick({ formFactor: 'soldered', capacityGiB: 6 })).success).toBe(true)
  expect(Module.safeParse(stick({ formFactor: 'DIMM', capacityGiB: 6 })).success).toBe(false)
})

test('capacities that are sold', () => {
  const sold = [0.0625, 0.25, 1, 2, 4, 8, 12, 16, 24, 32, 48, 64, 96, 128, 256, 1024]
  expect(sold.filter((gib) => !isModuleCapacity(gib))).toEqual([])
  expect([0.03, 3, 6, 7, 20, 40, 2048, Number.NaN].filter(isModuleCapacity)).toEqual([])
})

test('printed rates stand for multiples of 66.67 MT/s where they are near one', () => {
  expect([2133, 2666, 2667, 1066, 266].map(exactRate)).toEqual(
    [32, 40, 40, 16, 4].map((n) => (n * 200) / 3),
  )
  expect([3200, 5600, 5500, 3000].map(exactRate)).toEqual([3200, 5600, 5500, 3000])
})

test('die density: 16 GiB of 2 ranks by 8 has 16 dies of 8 Gbit', () => {
  expect(dieGbit({ capacityGiB: 16, ranks: 2, deviceWidth: 8 })).toBe(8)
  expect(dieGbit({ capacityGiB: 8, ranks: 1, deviceWidth: 16 })).toBe(16)
})

describe('usual timings', () => {
  test('active time by generation and speed, in clocks', () => {
    // 45 ns, 35 ns, 33 ns and 32 ns, in clocks of 2.5, 1.25, 0.9375 and 0.833 ns.
    const tras = (generation: Generation, rate: number) => usualSpeed(generation, rate).tras
    expect(tras('DDR2', 800)).toBe(18)
    expect(tras('DDR3', 1600)).toBe(28)
    expect(tras('DDR4', 2133)).toBe(36)
    expect(tras('DDR4', 2400)).toBe(39)
  })

  test('low-power memory answers after 18 to 20 ns', () => {
    for (const generation of ['LPDDR4', 'LPDDR4X', 'LPDDR5', 'LPDDR5X'] as const) {
      for (const rate of STANDARD_STEPS[generation].filter((step) => step >= 3200)) {
        const ns = (usualSpeed(generation, rate).cl * 2000) / exactRate(rate)
        expect(ns).toBeGreaterThanOrEqual(18)
        expect(ns).toBeLessThanOrEqual(20)
      }
    }
  })

  test('first-generation memory of 400 MT/s runs at 2.6 V, and the ranges overlap', () => {
    expect(usualVoltages('DDR', 400)[0]).toBe(2.6)
    expect(usualVoltages('DDR', 333)[0]).toBe(2.5)
    expect(usualVoltages('DDR4', 3200)).toEqual([1.2])
  })

  test('a plain module of a capacity is made as they are sold', () => {
    expect(usualOrganisation('DDR5', 8)).toEqual({ ranks: 1, deviceWidth: 16 })
    expect(usualOrganisation('DDR5', 16)).toEqual({ ranks: 1, deviceWidth: 8 })
    expect(usualOrganisation('DDR5', 64)).toEqual({ ranks: 2, deviceWidth: 8 })
    expect(usualOrganisation('DDR3', 8)).toEqual({ ranks: 2, deviceWidth: 8 })
    expect(usualOrganisation('DDR4', 32)).toEqual({ ranks: 2, deviceWidth: 8 })
  })

  test('follow the bins that are listed; active time is 32 ns', () => {
    // 32 ns at 3200 MT/s are 51.2 clocks of 0.625 ns, so 52.
    expect(usualSpeed('DDR4', 3200)).toMatchObject({ cl: 22, trcd: 22, trp: 22, tras: 52 })
    expect(usualSpeed('DDR5', 5600)).toMatchObject({ cl: 46, trcd: 45, trp: 45 })
  })

  test('are acceptable at every standard step', () => {
    for (const generation of GENERATIONS) {
      for (const step of STANDARD_STEPS[generation]) {
        expect(Speed.safeParse(usualSpeed(generation, step)).success).toBe(true)
      }
    }
  })
})

describe('times of standard bins', () => {
  test('are those of the bin on the label, and none for a bin that is not listed', () => {
    const times = (generation: Generation, dataRate: number, changes: Partial<Speed> = {}) =>
      usualTimes(generation, [{ ...usualSpeed(generation, dataRate), ...changes }])
    // 2133P is 13.50 ns, 2666V and 3200AA are 13.75 ns, DDR3 bins 13.125 ns, DDR5 B bins 16 ns.
    expect(times('DDR4', 2133)).toMatchObject({ taa: 13.5, trcd: 13.5, trp: 13.5 })
    expect(times('DDR4', 2666)?.taa).toBe(13.75)
    expect(times('DDR4', 3200)?.taa).toBe(13.75)
    expect(times('DDR3', 1600)?.taa).toBe(13.125)
    expect(times('DDR5', 5600)?.taa).toBe(16)
    expect(times('DDR4', 2666, { cl: 16, trcd: 16, trp: 16 })).toBeUndefined()
    expect(times('DDR2', 800)).toBeUndefined()
    expect(usualTimes('DDR4', [])).toBeUndefined()
  })

  test('the fastest standard speed is the bin, whatever a profile says', () => {
    const speeds = [usualSpeed('DDR4', 2400), usualSpeed('DDR4', 2666)]
    const profile = { ...usualSpeed('DDR4', 3200), kind: 'profile' as const }
    expect(usualTimes('DDR4', [...speeds, profile])?.taa).toBe(13.75)
  })

  test('DDR3-2133 is 14-14-14, DDR2-1066 7-7-7, and DDR2 of 2 GB has two ranks', () => {
    expect(usualSpeed('DDR3', 2133)).toMatchObject({ cl: 14, trcd: 14, trp: 14 })
    expect(usualSpeed('DDR2', 1066)).toMatchObject({ cl: 7, trcd: 7, trp: 7 })
    expect(usualOrganisation('DDR2', 2).ranks).toBe(2)
    expect(usualOrganisation('DDR2', 1).ranks).toBe(1)
  })
})
