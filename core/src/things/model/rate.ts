import { type Generation, STANDARD_STEPS } from './generation'

/**
 * The rate memory really runs at, MT/s, for a rate as printed: the nearest multiple of 200/3 when
 * within 1 MT/s of it (2133 is 2133.33), else the printed figure.
 */
export function exactRate(dataRate: number): number {
  const multiple = (Math.round((dataRate * 3) / 200) * 200) / 3
  return Math.abs(multiple - dataRate) <= 1 ? multiple : dataRate
}

/** Peak of one 64-bit channel in GB/s (10^9 bytes) at a data rate as printed, MT/s. */
export function channelPeakGBs(dataRate: number): number {
  return (exactRate(dataRate) * 8) / 1000
}

/** Clocks at a data rate as printed (MT/s) as a time in ns: two transfers a clock. */
export function clocksToNs(clocks: number, dataRate: number): number {
  return (clocks * 2000) / exactRate(dataRate)
}

/** The whole way from the processor to memory and back, ns, of which CL is a part. */
const WHOLE_WAY_NS = 65

/**
 * How long the first word takes by CL alone, ns; where the controller runs at half rate, longer by a
 * share (0.15 is the 10 ns that are measured) of the whole way to memory.
 */
export function firstWordNs(cl: number, dataRate: number, penalty: number): number {
  return clocksToNs(cl, dataRate) + penalty * WHOLE_WAY_NS
}

/**
 * The clocks a time (ns) takes at a data rate as printed (MT/s), rounded as JEDEC's identification
 * standards do: a guard band of 2.6 % of a clock up to DDR4 (JESD79-4 and its annexes), of 0.3 % of
 * the time for DDR5.
 */
export function nsToClocks(ns: number, dataRate: number, generation: Generation): number {
  const clocks = (ns * exactRate(dataRate)) / 2000
  return generation === 'DDR5' ? Math.floor(clocks * 0.997 + 1) : Math.floor(clocks + 0.974)
}

/** A CAS latency that can be set: DDR5 knows even ones only. */
export function settableCl(cl: number, generation: Generation): number {
  return generation === 'DDR5' && cl % 2 === 1 ? cl + 1 : cl
}

/** The standard step of a generation that a measured or printed rate stands for, within `share` of it. */
export function standardStep(
  generation: Generation,
  dataRate: number,
  share = 0.01,
): number | undefined {
  return STANDARD_STEPS[generation].find((step) => {
    const exact = exactRate(step)
    return Math.abs(dataRate - exact) <= exact * share
  })
}
