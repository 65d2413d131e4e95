import {
  channelPeakGBs,
  firstWordNs,
  type Machine,
  type Module,
  type SpeedKind,
} from '../../things/model'
import { hasProfile, highestStep, moduleTimings, topRate } from '../evaluate'
import type { SupplyGroup } from './supplyGroups'

/** What the loads on the channels must be rated for, MT/s: all at least `least`, one exactly where it decides. */
export interface LoadRating {
  least: number
  exactly: boolean
}

/**
 * One way for the machine to run: a rate and a latency at most, which groups allow it, and what it takes
 * to run like this and no other way. Every plan runs under the condition of its rate and latency.
 */
export interface RunCondition {
  /** Conditions of one way to reach a rate follow each other, rising in latency. */
  way: number
  dataRate: number
  /** Whether that rate is set by hand, MT/s; null where the firmware decides. */
  setTo: number | null
  channelPeakGBs: number
  firstWordNs: number
  load: LoadRating
  /** By group: whether its modules may be placed. */
  admits: boolean[]
  /** By group: which wants its modules meet, as bits. */
  meets: number[]
  /** All wants, as bits; each must be met by some placed module. */
  wants: number
}

const SETS_RATE = 1
const LACKS_PROFILE = 2

interface Way {
  dataRate: number
  setTo: number | null
  load: LoadRating
  admits: (top: number) => boolean
  /** The common rate that some module must bring as its top; null where it is no matter. */
  brings: number | null
}

/** Every condition the machine can run under with these groups. */
export function conditionsOf(
  machine: Machine,
  groups: readonly SupplyGroup[],
  profile: boolean,
  tune: boolean,
): RunCondition[] {
  const soldered = machine.soldered.map(({ module }) => module)
  const engages = profile && machine.profiles && soldered.every(hasProfile)
  if (!engages) return conditions(machine, groups, 'standard', 0, 0, tune)
  const fast = conditions(machine, groups, 'profile', 0, 0, tune)
  return [...fast, ...conditions(machine, groups, 'standard', LACKS_PROFILE, fast.length, tune)]
}

function conditions(
  machine: Machine,
  groups: readonly SupplyGroup[],
  kind: SpeedKind,
  alsoWants: number,
  firstWay: number,
  tune: boolean,
): RunCondition[] {
  const soldered = machine.soldered.map(({ module }) => module)
  const solderedTop = Math.min(Infinity, ...soldered.map((module) => topRate(module, kind)))
  const tops = groups.map(({ module }) => topRate(module, kind))
  const profileless = groups.map(({ module }) => (hasProfile(module) ? 0 : LACKS_PROFILE))

  const own = ways(machine, kind, [...tops, solderedTop], solderedTop)
  const all = tune && machine.profiles ? [...own, ...tunedTo(machine.syncCeiling, own)] : own
  return all.flatMap((way, at) => {
    const { dataRate, setTo, load, brings } = way
    const clAt = (module: Module) => moduleTimings(module, kind, dataRate, machine.generation).cl
    const solderedCl = Math.max(0, ...soldered.map(clAt))
    const cls = groups.map(({ module }, group) =>
      way.admits(tops[group] as number) ? Math.max(solderedCl, clAt(module)) : Infinity,
    )
    const distinct = new Set(cls.filter(Number.isFinite))
    if (solderedCl > 0) distinct.add(solderedCl)
    const halfRate = machine.syncCeiling !== null && dataRate > machine.syncCeiling
    const mustBring = brings !== null && brings !== solderedTop
    return [...distinct]
      .sort((a, b) => a - b)
      .map((cl) => ({
        way: firstWay + at,
        dataRate,
        setTo,
        channelPeakGBs: channelPeakGBs(dataRate),
        firstWordNs: firstWordNs(cl, dataRate, halfRate ? machine.desyncPenalty : 0),
        load,
        admits: cls.map((own) => own <= cl),
        meets: tops.map(
          (top, group) => (top === brings ? SETS_RATE : 0) | (profileless[group] as number),
        ),
        wants: (mustBring ? SETS_RATE : 0) | alsoWants,
      }))
  })
}

/** Each way that would run at half rate once more, set by hand to the ceiling. */
const tunedTo = (ceiling: number | null, ways: readonly Way[]): Way[] =>
  ceiling === null
    ? []
    : ways
        .filter(({ dataRate }) => dataRate > ceiling)
        .map((way) => ({ ...way, dataRate: ceiling, setTo: ceiling }))

/** How each rate can come about: by the modules' common rate, or by a cap below it. */
function ways(
  { limits, generation }: Machine,
  kind: SpeedKind,
  tops: readonly number[],
  solderedTop: number,
): Way[] {
  const firmware = limits.firmwareDataRate ?? Infinity
  const anyLoad: LoadRating = { least: 0, exactly: false }
  const ratings = [...new Set(limits.dataRates.map((row) => row.dataRate))]
  const highest = Math.max(...ratings)

  const byModules = [...new Set(tops)]
    .filter((top) => top > 0 && Number.isFinite(top) && top <= solderedTop && top <= firmware)
    .filter((top) => kind === 'profile' || top <= highest)
    .map((top) => ({
      dataRate: top,
      setTo: null,
      load: kind === 'profile' ? anyLoad : { least: top, exactly: false },
      admits: (own: number) => own >= top,
      brings: top,
    }))

  const caps: { cap: number; load: LoadRating }[] =
    kind === 'profile'
      ? [{ cap: firmware, load: anyLoad }]
      : [
          ...(firmware <= highest
            ? [{ cap: firmware, load: { least: firmware, exactly: false } }]
            : []),
          ...ratings
            .filter((rating) => rating < firmware)
            .map((rating) => ({ cap: rating, load: { least: rating, exactly: true } })),
        ]
  const byCap = caps
    .filter(({ cap }) => Number.isFinite(cap) && solderedTop > cap)
    .map(({ cap, load }) => ({
      dataRate: highestStep(generation, cap),
      setTo: null,
      load,
      admits: (own: number) => own > cap,
      brings: null,
    }))
  return [...byModules, ...byCap]
}
