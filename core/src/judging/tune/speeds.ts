import {
  channelPeakGBs,
  clocksToNs,
  type Machine,
  type Placement,
  type Run,
  STANDARD_STEPS,
} from '../../things/model'
import {
  evaluate,
  fittedModules,
  hasProfile,
  profilePossible,
  speedLimits,
  topRate,
} from '../evaluate'
import type { TuneSettings } from './tried'

/** Why nothing can be tuned. */
export type TuneRefusal = 'NOTHING_TO_SET' | 'DOES_NOT_START'

/** Why this machine cannot be tuned with these modules; null where it can. */
export function tuneRefusal(machine: Machine, placement: Placement): TuneRefusal | null {
  if (!machine.profiles) return 'NOTHING_TO_SET'
  const { starts } = evaluate({ machine, placement, settings: { profile: false } })
  return starts ? null : 'DOES_NOT_START'
}

/** Whether these modules run at their fastest by themselves: no profile of theirs is above their standard speeds. */
export function fastAtOnce(machine: Machine, placement: Placement): boolean {
  const modules = fittedModules(machine, placement).map(({ module }) => module)
  return (
    modules.length > 0 &&
    modules.every(
      (module) => !hasProfile(module) || topRate(module, 'profile') <= topRate(module, 'standard'),
    )
  )
}

/** One speed the machine can be set to, with what follows for these modules. */
export interface SpeedPoint extends TuneSettings {
  /** The timings as times, ns. */
  ns: { cl: number; trcd: number; trp: number; tras: number }
  firstWordNs: number
  peakGBs: number
  halfRate: boolean
  /** Beyond every speed the modules list: nobody has tested them there. */
  aboveModules: boolean
  /** It is what the modules are rated for, by profile or standard. */
  rated: boolean
}

/** How many standard steps beyond the modules' own speeds are still shown. */
const STEPS_BEYOND = 2

/**
 * Every speed this machine and these modules can be set to, rising: latency falls with speed, and jumps
 * where the controller drops to half rate. Timings are the modules' own, carried over as times.
 */
export function speedPicture(
  machine: Machine,
  placement: Placement,
  profile: boolean,
): SpeedPoint[] {
  const fitted = fittedModules(machine, placement)
  const kind = profile && profilePossible(machine, fitted) ? 'profile' : 'standard'
  const top = speedLimits(machine, fitted, kind).modules
  const firmware = machine.limits.firmwareDataRate ?? Number.POSITIVE_INFINITY
  const steps = STANDARD_STEPS[machine.generation]
  const own = fitted.flatMap(({ module }) => module.speeds.map(({ dataRate }) => dataRate))
  const beyond = steps.filter((step) => step > top).slice(0, STEPS_BEYOND)
  const lowest = Math.min(...own)
  const wanted = [
    ...steps.filter((step) => step >= lowest && step <= top),
    ...own.filter((rate) => rate <= top),
    ...beyond,
    ...(machine.syncCeiling !== null && machine.syncCeiling <= (beyond.at(-1) ?? top)
      ? [machine.syncCeiling]
      : []),
  ].filter((rate) => rate <= firmware)
  return [...new Set(wanted)]
    .sort((a, b) => a - b)
    .flatMap((dataRate) => {
      const { run } = evaluate({
        machine,
        placement,
        settings: { profile, manual: { dataRate, timings: null } },
      })
      return run ? [pointOf(run, top)] : []
    })
}

function pointOf(run: Run, top: number): SpeedPoint {
  const { dataRate, cl, trcd, trp, tras } = run
  const ns = (clocks: number) => clocksToNs(clocks, dataRate)
  return {
    dataRate,
    timings: { cl, trcd, trp, tras },
    ns: { cl: ns(cl), trcd: ns(trcd), trp: ns(trp), tras: ns(tras) },
    firstWordNs: run.firstWordNs,
    peakGBs: channelPeakGBs(dataRate),
    halfRate: run.clocking === 'half-rate',
    aboveModules: dataRate > top,
    rated: dataRate === top,
  }
}

/** What to set: of the speeds the modules are made for the one with the least latency, the faster of equals. */
export function proposed(picture: readonly SpeedPoint[]): SpeedPoint | null {
  return picture
    .filter(({ aboveModules }) => !aboveModules)
    .reduce<SpeedPoint | null>(
      (best, one) => (!best || one.firstWordNs <= best.firstWordNs + ALIKE_NS ? one : best),
      null,
    )
}

/** Latencies nearer than this are the same: rounding to whole clocks moves them as far. */
const ALIKE_NS = 0.4

export const settingsAt = ({ dataRate, timings }: TuneSettings) => ({
  profile: true,
  manual: { dataRate, timings },
})
