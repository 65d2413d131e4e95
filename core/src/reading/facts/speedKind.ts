import {
  type Buffering,
  type Generation,
  type SpeedKind,
  standardStep,
  USUAL_VOLTAGE,
} from '../../things/model'

/** CL of the fastest standard bin by rate (JESD79-2, -3, -4, -5): a lower one is a memory profile's. */
const FASTEST_CL: Partial<Record<Generation, Record<number, number>>> = {
  DDR2: { 400: 3, 533: 3, 667: 4, 800: 4, 1066: 6 },
  DDR3: { 800: 5, 1066: 6, 1333: 7, 1600: 10, 1866: 11, 2133: 13 },
  DDR4: { 1600: 10, 1866: 12, 2133: 14, 2400: 15, 2666: 17, 2933: 19, 3200: 20 },
  DDR5: {
    3200: 22,
    3600: 26,
    4000: 28,
    4400: 32,
    4800: 34,
    5200: 38,
    5600: 40,
    6000: 42,
    6400: 46,
  },
}

/** The highest standard speed of modules without a clock driver, MT/s; more needs one, or is a profile. */
const PLAIN_TOP: Partial<Record<Generation, number>> = { DDR5: 5600 }
const DRIVEN_TOP = 6400

/** What a printed speed stands beside; null where it is not printed. */
export interface Printing {
  cl: number | null
  /** The highest voltage printed, V. */
  volts: number | null
  buffering: Buffering | null
  /** Whether it is printed in the form of the standard's label, which names standard speeds. */
  labelForm: boolean
}

const NOTHING_PRINTED: Printing = { cl: null, volts: null, buffering: null, labelForm: false }

/** Whether a CL can be that of a standard speed: no lower than the fastest bin. */
export function isStandardBin(generation: Generation, dataRate: number, cl: number): boolean {
  return cl >= (FASTEST_CL[generation]?.[dataRate] ?? 0)
}

/**
 * Whether a speed (MT/s) that modules are sold by is a standard one or the memory profile's: a profile
 * is no standard step, or has a CL below the standard bins, or a voltage above the standard's. DDR5
 * above 5600 is standard only behind a register or clock driver, or with the standard's CL.
 */
export function speedKind(
  generation: Generation,
  dataRate: number,
  { cl, volts, buffering, labelForm }: Printing = NOTHING_PRINTED,
): SpeedKind {
  if (generation.startsWith('LP')) return 'standard'
  if (standardStep(generation, dataRate) === undefined) return 'profile'
  if (volts !== null && volts > USUAL_VOLTAGE[generation] + 0.04) {
    if (!(generation === 'DDR' && volts <= 2.6)) return 'profile'
  }
  if (cl !== null && !isStandardBin(generation, dataRate, cl)) return 'profile'
  const plainTop = PLAIN_TOP[generation]
  if (plainTop === undefined || dataRate <= plainTop || labelForm) return 'standard'
  if (dataRate <= DRIVEN_TOP) {
    if (cl !== null) return 'standard'
    if (buffering !== null && buffering !== 'unbuffered') return 'standard'
  }
  return 'profile'
}
