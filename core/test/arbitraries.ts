import fc from 'fast-check'
import type { EvaluationRequest, Machine, Module, Placement } from '../src/things/model'
import { desktop, slot } from './builders'

const speeds = fc
  .uniqueArray(fc.constantFrom(1600, 2133, 2400, 2666, 2933, 3200), { minLength: 1, maxLength: 4 })
  .map((rates) =>
    rates.map((dataRate) => {
      const clocks = Math.round((dataRate * 13.75) / 2000)
      return {
        kind: 'standard' as const,
        dataRate,
        cl: clocks,
        trcd: clocks,
        trp: clocks + 1,
        tras: clocks * 2,
      }
    }),
  )

const profile = fc.option(
  fc.record({
    kind: fc.constant('profile' as const),
    dataRate: fc.constantFrom(3000, 3466, 3600, 4000),
    cl: fc.integer({ min: 14, max: 20 }),
    trcd: fc.integer({ min: 16, max: 22 }),
    trp: fc.integer({ min: 16, max: 22 }),
    tras: fc.integer({ min: 34, max: 44 }),
  }),
  { nil: undefined },
)

/** Modules that fit `anyMachine`. */
export const fittingModule: fc.Arbitrary<Module> = fc.record({
  article: fc.constantFrom('a', 'b', 'c'),
  generation: fc.constant('DDR4' as const),
  formFactor: fc.constant('DIMM' as const),
  buffering: fc.constant('unbuffered' as const),
  ecc: fc.boolean(),
  capacityGiB: fc.constantFrom(4, 8, 16, 24, 32),
  ranks: fc.constantFrom(1, 2),
  deviceWidth: fc.constantFrom(8 as const, 16 as const),
  voltages: fc.constant<number[]>([1.2]),
  speeds: fc
    .tuple(speeds, profile)
    .map(([standard, fast]) => (fast ? [...standard, fast] : standard)),
  kit: fc.option(fc.record({ id: fc.constantFrom('k1', 'k2'), size: fc.constantFrom(2, 3, 4) })),
})

/** Modules that may not fit in one way or several. */
export const anyModule: fc.Arbitrary<Module> = fc
  .tuple(
    fittingModule,
    fc.record(
      {
        generation: fc.constantFrom('DDR3' as const, 'DDR5' as const),
        formFactor: fc.constantFrom('SODIMM' as const),
        buffering: fc.constant('registered' as const),
        voltages: fc.constant<number[]>([1.5]),
        capacityGiB: fc.constantFrom(64, 128),
      },
      { requiredKeys: [] },
    ),
  )
  .map(([module, faults]) => ({ ...module, ...faults }))

export const anyMachine: fc.Arbitrary<Machine> = fc
  .record({
    channels: fc.integer({ min: 1, max: 4 }),
    perChannel: fc.integer({ min: 1, max: 2 }),
    firmware: fc.option(fc.constantFrom(2133, 2666, 3000)),
    osGiB: fc.option(fc.constantFrom(4, 16)),
    interleave: fc.constantFrom('flex' as const, 'matched' as const, 'unknown' as const),
    profiles: fc.boolean(),
    soldered: fc.option(fittingModule),
    syncCeiling: fc.option(fc.constantFrom(2666, 3600)),
  })
  .map(({ channels, perChannel, firmware, osGiB, soldered, ...rest }) => {
    const names = ['A', 'B', 'C', 'D'].slice(0, channels)
    const base = desktop()
    return desktop({
      ...rest,
      channels: names,
      slots: names.flatMap((name) =>
        Array.from({ length: perChannel }, (_, i) =>
          slot(`${name}${i + 1}`, name, { position: i + 1 }),
        ),
      ),
      soldered: soldered ? [{ channel: 'A', module: { ...soldered, formFactor: 'soldered' } }] : [],
      limits: { ...base.limits, totalGiB: 4096, firmwareDataRate: firmware, osGiB },
    })
  })

function requestOf(module: fc.Arbitrary<Module>): fc.Arbitrary<EvaluationRequest> {
  return anyMachine.chain((machine) =>
    fc.record({
      machine: fc.constant(machine),
      placement: fc
        .tuple(...machine.slots.map(() => fc.option(module)))
        .map((held) => placementFrom(machine, held)),
      settings: fc.record({ profile: fc.boolean() }),
    }),
  )
}

export function placementFrom(machine: Machine, held: (Module | null)[]): Placement {
  return Object.fromEntries(machine.slots.map(({ id }, at) => [id, held[at] ?? null]))
}

export const fittingRequest = requestOf(fittingModule)
export const anyRequest = requestOf(anyModule)
