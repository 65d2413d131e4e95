import {
  clocksToNs,
  type Generation,
  type Module,
  type ModuleTimes,
  nsToClocks,
  type Speed,
  type SpeedKind,
  settableCl,
} from '../../things/model'

export type Timings = Pick<Speed, 'cl' | 'trcd' | 'trp' | 'tras'>

const PARAMETERS = ['cl', 'trcd', 'trp', 'tras'] as const

/** The system's timings in clocks at a running rate (MT/s): parameter by parameter the slowest module's. */
export function systemTimings(
  modules: readonly Module[],
  kind: SpeedKind,
  dataRate: number,
  generation: Generation,
): Timings {
  const slowest: Timings = { cl: 0, trcd: 0, trp: 0, tras: 0 }
  let before: Module | null = null
  for (const module of modules) {
    if (module === before) continue
    before = module
    const own = moduleTimings(module, kind, dataRate, generation)
    for (const parameter of PARAMETERS) {
      slowest[parameter] = Math.max(slowest[parameter], own[parameter])
    }
  }
  return slowest
}

/** Whether any of the four is below what follows from the modules. */
export const isTighter = (timings: Timings, rated: Timings): boolean =>
  PARAMETERS.some((parameter) => timings[parameter] < rated[parameter])

/**
 * A module's timings at a running rate: as they stand where it lists that
 * rate, else from its own times where they are known, else carried over as times from the next higher
 * rate it lists, or its highest where it runs above them all.
 */
export function moduleTimings(
  module: Module,
  kind: SpeedKind,
  dataRate: number,
  generation: Generation,
): Timings {
  const entry = nextEntry(module, kind, dataRate)
  if (entry.dataRate === dataRate) return entry
  if (kind === 'standard' && module.times) return timesAt(module.times, dataRate, generation)
  const carry = (clocks: number) =>
    nsToClocks(clocksToNs(clocks, entry.dataRate), dataRate, generation)
  return {
    cl: settableCl(carry(entry.cl), generation),
    trcd: carry(entry.trcd),
    trp: carry(entry.trp),
    tras: carry(entry.tras),
  }
}

/**
 * What times in ns are in clocks at a data rate (MT/s), by the standard's rounding; CL is the smallest
 * that is long enough among those supported (any, where none that long is listed).
 */
export function timesAt(
  { taa, trcd, trp, tras, cls }: ModuleTimes,
  dataRate: number,
  generation: Generation,
): Timings {
  const clocks = (ns: number) => nsToClocks(ns, dataRate, generation)
  const least = settableCl(clocks(taa), generation)
  return {
    cl: cls.find((cl) => cl >= least) ?? least,
    trcd: clocks(trcd),
    trp: clocks(trp),
    tras: clocks(tras),
  }
}

function nextEntry(module: Module, kind: SpeedKind, dataRate: number): Speed {
  let above: Speed | undefined
  let highest: Speed | undefined
  for (const speed of module.speeds) {
    if (speed.kind !== kind) continue
    if (!highest || speed.dataRate > highest.dataRate) highest = speed
    if (speed.dataRate >= dataRate && (!above || speed.dataRate < above.dataRate)) above = speed
  }
  const entry = above ?? highest
  if (!entry) throw new RangeError(`${module.article} has no ${kind} speed`)
  return entry
}
