/** A figure with at most this many decimals and no idle zeros. */
export const tidy = (value: number, decimals = 2) => String(Number(value.toFixed(decimals)))

/** A capacity in GiB as modules print it, or in MB where it is less than one. */
export const capacity = (gib: number) =>
  gib > 0 && gib < 1 ? `${gib * 1024} MB` : `${tidy(gib)} GB`

/** “–” where there is none, as nothing runs. */
export const speed = (dataRate: number | undefined) =>
  dataRate === undefined ? '–' : `${dataRate} MT/s`

/** An estimate of how much is needed in whole GB, below 4 GB in tenths: rounded up, so that what is called enough is. */
export const roughly = (gib: number) => `${outwards(gib, Math.ceil)} GB`

/** The range of an estimate, rounded outwards. */
export const roughRange = (low: number, high: number) =>
  `${outwards(low, Math.floor)}–${roughly(high)}`

function outwards(gib: number, round: (value: number) => number): number {
  const steps = gib < 4 ? 10 : 1
  return round(Number((gib * steps).toFixed(6))) / steps
}

export const latency = (ns: number) => `${tidy(ns, 1)} ns`
export const bandwidth = (gbPerSecond: number) => `${tidy(gbPerSecond, 1)} GB/s`

/** A range of speed-ups (ratios, 1 and above), no finer than an estimate can be. */
export function fasterBy([low, high]: readonly [number, number]): string {
  if (high >= 2) return `between ${timesAsFast(low)} and ${timesAsFast(high)}`
  const [from, to] = [share(low), share(high)]
  return from === to ? `about ${to} % faster` : `${from}–${to} % faster`
}

const timesAsFast = (times: number): string =>
  times >= 2 ? `${tidy(times, 0)} times as fast` : `${share(times)} % faster`

function share(times: number): number {
  const percent = Math.max(0, (times - 1) * 100)
  return percent < 10 ? Math.round(percent) : Math.round(percent / 5) * 5
}

/** Text as a number where it is one; empty as `null`; anything else as it stands, for the check to refuse. */
export function numberFrom(text: string): number | string | null {
  const plain = text.trim().replace(',', '.')
  if (plain === '') return null
  const number = Number(plain)
  return Number.isFinite(number) ? number : text
}

/** Minutes as people say them: “40 min”, “2 h”, “2 h 10 min”. */
export function duration(minutes: number): string {
  const [hours, rest] = [Math.floor(minutes / 60), minutes % 60]
  if (hours === 0) return `${rest} min`
  return rest === 0 ? `${hours} h` : `${hours} h ${rest} min`
}
