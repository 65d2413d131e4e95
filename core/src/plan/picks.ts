import type { Machine } from '../model'
import type { Option } from './request'

export const PICKS = ['least-money', 'best-for-uses', 'room-to-grow'] as const
export type PickName = (typeof PICKS)[number]

/** Why an option is named: costs in minor units, gains as shares (0.1 is a tenth faster). */
export type PickReason =
  | { code: 'NOTHING_BOUGHT' }
  | { code: 'CHEAPEST'; cost: number }
  | { code: 'KEEPS_OWN'; pieces: number }
  | { code: 'GAIN'; gain: number; more: number }
  | { code: 'NO_GAIN_FOR_MORE' }
  | { code: 'COSTS_MORE'; by: number }
  | { code: 'FREE_SLOTS'; slots: number }
  | { code: 'REACHES'; gib: number }
  | { code: 'LARGEST'; gib: number }

export interface Pick {
  name: PickName
  option: Option
  reasons: PickReason[]
}

/** Gains nearer to each other than this share are the same to the person at the keyboard: noise is as large. */
const ALIKE = 0.02

/**
 * Three named picks from the trade-offs of a machine. `gainOf` says how many times as fast an option
 * makes the customer's work. Picks may fall on the same option. None where there is no option.
 */
export function picks(
  machine: Machine,
  options: readonly Option[],
  gainOf: (option: Option) => number,
): Pick[] {
  if (options.length === 0) return []
  const least = bestBy(options, (one) => [-one.cost, gainOf(one)])
  const gain = Math.max(...options.map(gainOf))
  const alike = options.filter((one) => gainOf(one) >= gain * (1 - ALIKE))
  const best = bestBy(alike, (one) => [-one.cost, gainOf(one)])
  const room = roomiest(machine, options)
  return [
    { name: 'least-money', option: least, reasons: whyLeast(least) },
    { name: 'best-for-uses', option: best, reasons: whyBest(best, least, gainOf) },
    { name: 'room-to-grow', option: room, reasons: whyRoom(machine, room, least) },
  ]
}

/** The most memory an option can be brought to later with everything in it kept, GiB. */
export function reachableGiB(machine: Machine, option: Option): number {
  const { totalGiB, slotGiB } = machine.limits
  return Math.min(
    totalGiB,
    option.evaluation.capacity.installedGiB + freeSlots(machine, option) * slotGiB,
  )
}

/**
 * The option that can grow furthest with nothing thrown away, among those that leave no channel
 * unused that others use: one large module keeps more slots free, but runs on one channel meanwhile.
 */
function roomiest(machine: Machine, options: readonly Option[]): Option {
  const ways = (one: Option) => one.evaluation.zones[0]?.ways ?? 0
  const most = Math.max(...options.map(ways))
  const wide = options.filter((one) => ways(one) === most)
  return bestBy(wide, (one) => [reachableGiB(machine, one), freeSlots(machine, one), -one.cost])
}

const freeSlots = (machine: Machine, option: Option): number =>
  machine.slots.length - Object.keys(option.placement).length

function bestBy(options: readonly Option[], worth: (option: Option) => number[]): Option {
  return options.reduce((best, one) => {
    const [own, held] = [worth(one), worth(best)]
    const at = own.findIndex((figure, n) => figure !== held[n])
    return at >= 0 && (own[at] as number) > (held[at] as number) ? one : best
  })
}

function keeps(option: Option): PickReason[] {
  const pieces = Object.values(option.placement).filter(({ source }) => source === 'onHand').length
  return pieces > 0 ? [{ code: 'KEEPS_OWN', pieces }] : []
}

function whyLeast(option: Option): PickReason[] {
  const first: PickReason =
    option.cost === 0 ? { code: 'NOTHING_BOUGHT' } : { code: 'CHEAPEST', cost: option.cost }
  return [first, ...keeps(option)]
}

function whyBest(option: Option, least: Option, gainOf: (option: Option) => number): PickReason[] {
  if (option === least) return [{ code: 'NO_GAIN_FOR_MORE' }, ...keeps(option)]
  const gain = gainOf(option) - 1
  const more = gainOf(option) - gainOf(least)
  return [
    { code: 'GAIN', gain, more },
    { code: 'COSTS_MORE', by: option.cost - least.cost },
    ...keeps(option),
  ]
}

function whyRoom(machine: Machine, option: Option, least: Option): PickReason[] {
  const slots = freeSlots(machine, option)
  const first: PickReason[] =
    slots > 0
      ? [
          { code: 'FREE_SLOTS', slots },
          { code: 'REACHES', gib: reachableGiB(machine, option) },
        ]
      : [{ code: 'LARGEST', gib: option.usableGiB }]
  const more: PickReason[] =
    option.cost > least.cost ? [{ code: 'COSTS_MORE', by: option.cost - least.cost }] : []
  return [...first, ...more]
}
