import {
  type Generation,
  type Limiter,
  type Machine,
  type Manual,
  type Module,
  type SpeedKind,
  STANDARD_STEPS,
} from '../../things/model'
import type { Fitted } from './fitted'

/** A channel's load on the controller, and what it is rated for under it (MT/s). */
export interface ChannelLoad {
  channel: string
  modules: number
  ranks: number
  rating: number
}

/** What holds the rate: each figure in MT/s, `firmware` null where it sets no cap. */
export interface SpeedLimits {
  kind: SpeedKind
  modules: number
  loads: ChannelLoad[]
  controller: number
  firmware: number | null
  dataRate: number
  limitedBy: Limiter
}

export function hasProfile(module: Module): boolean {
  return module.speeds.some((speed) => speed.kind === 'profile')
}

/** A profile engages when the firmware can apply one and every module carries one. */
export function profilePossible(machine: Machine, fitted: readonly Fitted[]): boolean {
  return machine.profiles && fitted.every(({ module }) => hasProfile(module))
}

/** The module's highest rate of this kind, MT/s; 0 if it has none. */
export function topRate(module: Module, kind: SpeedKind): number {
  return module.speeds.reduce(
    (top, speed) => (speed.kind === kind && speed.dataRate > top ? speed.dataRate : top),
    0,
  )
}

/** Every limit on the rate, for at least one fitted module. */
export function speedLimits(
  machine: Machine,
  fitted: readonly Fitted[],
  kind: SpeedKind,
): SpeedLimits {
  let modules = Number.POSITIVE_INFINITY
  for (const { module } of fitted) modules = Math.min(modules, topRate(module, kind))
  const loads = loadsOf(machine, fitted)
  let controller = Number.POSITIVE_INFINITY
  for (const { rating } of loads) controller = Math.min(controller, rating)
  const firmware = machine.limits.firmwareDataRate
  const cap = Math.min(firmware ?? Infinity, kind === 'profile' ? Infinity : controller)
  const free = modules <= cap
  return {
    kind,
    modules,
    loads,
    controller,
    firmware,
    dataRate: free ? modules : highestStep(machine.generation, cap),
    limitedBy: free
      ? 'modules'
      : cap === controller && kind === 'standard'
        ? 'controller'
        : 'firmware',
  }
}

/** Whether anything is set by hand. */
export const isAsked = (manual: Manual | null | undefined): boolean =>
  manual != null && (manual.dataRate !== null || manual.timings !== null)

/**
 * The rate once values are set by hand: a rate within the firmware's cap is what it runs at; one above
 * it runs at the highest standard step within it.
 */
export function setRate(
  { generation }: Pick<Machine, 'generation'>,
  held: Pick<SpeedLimits, 'dataRate' | 'limitedBy' | 'firmware'>,
  manual: Manual | null,
): Pick<SpeedLimits, 'dataRate' | 'limitedBy'> {
  const asked = manual?.dataRate ?? null
  if (asked === null) return held
  const { firmware } = held
  return firmware === null || asked <= firmware
    ? { dataRate: asked, limitedBy: 'setting' }
    : { dataRate: highestStep(generation, firmware), limitedBy: 'firmware' }
}

/**
 * What the controller is rated for, MT/s, with so many modules of at most so many ranks on a channel:
 * the lowest rate among the rows this load reaches, or among all rows if it reaches none.
 */
export function ratingAt(machine: Machine, modules: number, ranks: number): number {
  let reached = Number.POSITIVE_INFINITY
  let any = Number.POSITIVE_INFINITY
  for (const row of machine.limits.dataRates) {
    any = Math.min(any, row.dataRate)
    if (row.modulesPerChannel <= modules && row.ranks <= ranks) {
      reached = Math.min(reached, row.dataRate)
    }
  }
  return reached === Number.POSITIVE_INFINITY ? any : reached
}

/** The load of each populated channel, in the order they are first met. */
export function loadsOf(machine: Machine, fitted: readonly Fitted[]): ChannelLoad[] {
  const loads: ChannelLoad[] = []
  for (const { channels, module } of fitted) {
    for (const channel of channels) {
      const load = loads.find((one) => one.channel === channel)
      if (load) {
        load.modules += 1
        load.ranks = Math.max(load.ranks, module.ranks)
      } else loads.push({ channel, modules: 1, ranks: module.ranks, rating: 0 })
    }
  }
  for (const load of loads) load.rating = ratingAt(machine, load.modules, load.ranks)
  return loads
}

/** The generation's highest standard step within the cap, or the cap where even the lowest is above it. */
export function highestStep(generation: Generation, cap: number): number {
  return STANDARD_STEPS[generation].findLast((step) => step <= cap) ?? cap
}
