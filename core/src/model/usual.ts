import type { Generation } from './generation'
import type { Speed } from './module'
import { exactRate } from './rate'

/** Usual CL-tRCD-tRP of standard modules, by rate (bins of the JEDEC module standards). */
const USUAL: Partial<Record<Generation, Record<number, [number, number, number]>>> = {
  DDR3: { 1066: [7, 7, 7], 1333: [9, 9, 9], 1600: [11, 11, 11], 1866: [13, 13, 13] },
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

/** Where no bin is listed: about 14 ns for a first access up to DDR4, 16 ns for DDR5 and low-power memory. */
const ACCESS_NS = { early: 13.75, late: 16 }
const ACTIVE_NS = 32

/** The voltage standard modules of a generation run at. */
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

/** The timings to expect of a standard module at a data rate (MT/s) until its own are known. */
export function usualSpeed(generation: Generation, dataRate: number): Speed {
  const clocks = (ns: number) => Math.ceil((ns * exactRate(dataRate)) / 2000 - 0.01)
  const late = generation === 'DDR5' || generation.startsWith('LP')
  const access = clocks(late ? ACCESS_NS.late : ACCESS_NS.early)
  const listed = USUAL[generation]?.[dataRate]
  const [cl, trcd, trp] = listed ?? [late ? access + (access % 2) : access, access, access]
  return { kind: 'standard', dataRate, cl, trcd, trp, tras: clocks(ACTIVE_NS) }
}
