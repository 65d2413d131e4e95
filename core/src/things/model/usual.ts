import { GENERATIONS, type Generation, STANDARD_STEPS } from './generation'
import { known } from './known'
import type { ModuleTimes, Speed } from './module'
import { exactRate } from './rate'

/** Usual CL-tRCD-tRP of standard modules, by speed (MT/s). */
const BINS: Partial<Record<Generation, Record<number, [number, number, number]>>> = {
  DDR2: { 800: [6, 6, 6], 1066: [7, 7, 7] },
  DDR3: {
    1066: [7, 7, 7],
    1333: [9, 9, 9],
    1600: [11, 11, 11],
    1866: [13, 13, 13],
    2133: [14, 14, 14],
  },
  DDR4: {
    2133: [15, 15, 15],
    2400: [17, 17, 17],
    2666: [19, 19, 19],
    2933: [21, 21, 21],
    3200: [22, 22, 22],
  },
  DDR5: {
    4800: [40, 39, 39],
    5200: [42, 42, 42],
    5600: [46, 45, 45],
    6000: [48, 48, 48],
    6400: [52, 52, 52],
  },
}

/** Shortest tAA, tRCD and tRP of standard bins, ns, by speed (MT/s) and CL. */
const BIN_NS: Partial<Record<Generation, Record<number, Record<number, number>>>> = {
  DDR3: {
    1066: { 7: 13.125 },
    1333: { 9: 13.125 },
    1600: { 11: 13.125 },
    1866: { 13: 13.125 },
  },
  DDR4: {
    2133: { 15: 13.5 },
    2400: { 17: 13.75 },
    2666: { 19: 13.75 },
    2933: { 21: 13.75 },
    3200: { 22: 13.75 },
  },
  DDR5: {
    4800: { 40: 16 },
    5200: { 42: 16 },
    5600: { 46: 16 },
    6000: { 48: 16 },
    6400: { 52: 16 },
  },
}

/** Usual CL where no bin is listed, ns: low-power memory answers later. */
const ACCESS_NS = { early: 13.75, DDR5: 16, lowPower: 18.75 }

/** Usual tRAS, ns, up to a speed (MT/s); the last row of a generation holds for all above. */
const ACTIVE_NS: Record<
  'DDR' | 'DDR2' | 'DDR3' | 'DDR4' | 'DDR5' | 'low-power',
  [number, number][]
> = {
  DDR: [
    [266, 45],
    [333, 42],
    [Infinity, 40],
  ],
  DDR2: [[Infinity, 45]],
  DDR3: [
    [1066, 37.5],
    [1333, 36],
    [1600, 35],
    [1866, 34],
    [Infinity, 33],
  ],
  DDR4: [
    [1600, 35],
    [1866, 34],
    [2133, 33],
    [Infinity, 32],
  ],
  DDR5: [[Infinity, 32]],
  'low-power': [[Infinity, 42]],
}

/** The voltage standard modules of a generation run at; first-generation ones at 400 MT/s need 2.6 V. */
export const USUAL_VOLTAGE: Readonly<Record<Generation, number>> = {
  DDR: 2.5,
  DDR2: 1.8,
  DDR3: 1.5,
  DDR4: 1.2,
  DDR5: 1.1,
  LPDDR3: 1.2,
  LPDDR4: 1.1,
  LPDDR4X: 1.1,
  LPDDR5: 1.05,
  LPDDR5X: 1.05,
}

/**
 * The voltages a standard module of this speed (MT/s) works at, its own first: the ranges of the first
 * generation overlap (JESD79: 2.5 V ± 0.2 V up to 333 MT/s, 2.6 V ± 0.1 V at 400).
 */
export function usualVoltages(generation: Generation, dataRate: number): number[] {
  if (generation !== 'DDR') return [USUAL_VOLTAGE[generation]]
  return dataRate >= 400 ? [2.6, 2.5] : [2.5, 2.6]
}

const isLowPower = (generation: Generation) => generation.startsWith('LP')

/** The timings to expect of a standard module at a speed (MT/s) until its own are known. */
export function usualSpeed(generation: Generation, dataRate: number): Speed {
  const clocks = (ns: number) => Math.ceil((ns * exactRate(dataRate)) / 2000 - 0.01)
  const lowPower = isLowPower(generation)
  const even = lowPower || generation === 'DDR5'
  const { early, lowPower: slow, DDR5 } = ACCESS_NS
  const access = clocks(lowPower ? slow : generation === 'DDR5' ? DDR5 : early)
  const listed = BINS[generation]?.[dataRate]
  const [cl, trcd, trp] = listed ?? [even ? access + (access % 2) : access, access, access]
  const rows = ACTIVE_NS[lowPower ? 'low-power' : (generation as keyof typeof ACTIVE_NS)]
  const [, active] = rows.find(([upTo]) => dataRate <= upTo) as [number, number]
  return { kind: 'standard', dataRate, cl, trcd, trp, tras: clocks(active) }
}

/**
 * The times behind a standard module of which only the label is known, by the bin of its fastest standard speed;
 * undefined for a bin that is not listed. At a slower speed these count, and not its clocks: 2666 at CL 19 has
 * 13.75 ns and runs 2400 at CL 17 (speed bin tables of JESD79-3, -4 and -5).
 */
export function usualTimes(
  generation: Generation,
  speeds: readonly Speed[],
): ModuleTimes | undefined {
  const fastest = speeds
    .filter(({ kind }) => kind === 'standard')
    .reduce<Speed | null>((most, one) => (most && most.dataRate >= one.dataRate ? most : one), null)
  if (!fastest) return undefined
  const { dataRate, cl } = fastest
  const ns = BIN_NS[generation]?.[dataRate]?.[cl]
  if (ns === undefined || fastest.trcd > cl || fastest.trp > cl) return undefined
  const rows = ACTIVE_NS[generation as keyof typeof ACTIVE_NS]
  const [, tras] = rows.find(([upTo]) => dataRate <= upTo) as [number, number]
  return { taa: ns, trcd: ns, trp: ns, tras, cls: [] }
}

/** The densest dies that modules of a generation are commonly made of, Gbit. */
const COMMON_DIE: Partial<Record<Generation, number>> = {
  DDR: 0.5,
  DDR2: 1,
  DDR3: 4,
  DDR4: 16,
  DDR5: 24,
}

/**
 * Ranks and device width to expect of a plain module of a capacity (GiB) until its label is read. DDR5
 * of 8 GB is made of half as many chips, twice as wide; nobody sells it otherwise.
 */
export function usualOrganisation(
  generation: Generation,
  capacityGiB: number,
): { ranks: number; deviceWidth: 8 | 16 } {
  if (generation === 'DDR5' && capacityGiB < 16) return { ranks: 1, deviceWidth: 16 }
  const most = COMMON_DIE[generation] ?? Infinity
  return { ranks: capacityGiB > most ? 2 : 1, deviceWidth: 8 }
}

/** The capacity (GiB) and speed (MT/s) to begin with when a module of a generation is typed in. */
export const USUAL_DRAFT: Partial<Record<Generation, { capacityGiB: number; dataRate: number }>> = {
  DDR5: { capacityGiB: 16, dataRate: 5600 },
}

export interface UsualRow {
  generation: Generation
  volts: number
  speed: Speed
}

/** Every standard speed with the timings and the voltage usual for it. */
export const USUAL_SPEEDS = known<UsualRow[]>(
  GENERATIONS.flatMap((generation) =>
    STANDARD_STEPS[generation].map((dataRate) => ({
      generation,
      volts: usualVoltages(generation, dataRate)[0] as number,
      speed: usualSpeed(generation, dataRate),
    })),
  ),
  'From the speed bins of the JEDEC module standards. A module’s own figures come from its label or its contents.',
)
