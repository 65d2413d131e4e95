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
