import {
  type Evaluation,
  type FindingCode,
  type Machine,
  type Module,
  type RankChoice,
  slotChannels,
} from '../../things/model'
import type { PlacedPiece, PlanOption, Policy } from './request'

export const RECOMMENDATIONS = [
  'lowest-cost',
  'best-for-use',
  'safest',
  'listed',
  'add-later',
] as const
export type RecommendationName = (typeof RECOMMENDATIONS)[number]

/** Why an option is named: costs in minor units, gains as shares (0.1 is a tenth faster). */
export type RecommendationReason =
  | { code: 'NOTHING_BOUGHT' }
  /** `under`: the policy it is the cheapest by, where another policy has a cheaper one. */
  | { code: 'CHEAPEST'; cost: number; under: Policy | null }
  | { code: 'KEEPS_OWN'; pieces: number }
  | { code: 'GAIN'; gain: number; more: number }
  | { code: 'NO_GAIN_FOR_MORE' }
  /** Nobody would notice more speed, but games come steadier. */
  | { code: 'STEADIER' }
  /** Every channel has two ranks or more, of one module or several. */
  | { code: 'TWO_RANKS' }
  /** Every channel has one rank, as the shop chooses where it runs above the rating. */
  | { code: 'ONE_RANK' }
  /** One kit, packaged and tested together. */
  | { code: 'ONE_SET' }
  /** Modules of one article, bought singly: alike, and not tested together. */
  | { code: 'ALIKE' }
  /** All of it is on the maker's list for this number of modules. */
  | { code: 'LISTED' }
  | { code: 'FREE_SLOTS'; slots: number }
  /**
   * The piece to add later. `today` is the cost of the cheapest matched set of as much
   * memory as both together, bought now; null where there is none.
   */
  | { code: 'PARTNER'; piece: PlacedPiece; today: number | null }

/** Drawbacks of an option against the other recommendations. */
export type GivesUp =
  | { code: 'COSTS_MORE'; by: number }
  | { code: 'LESS_GAIN'; by: number }
  | { code: 'LESS_MEMORY'; by: number }
  | { code: 'MIXES' }
  | { code: 'NO_FREE_SLOT' }

export interface Recommendation {
  name: RecommendationName
  option: PlanOption
  reasons: RecommendationReason[]
  givesUp: GivesUp[]
}

type Named = Omit<Recommendation, 'givesUp'>

export interface RecommendationCase {
  machine: Machine
  /** What is there now; nothing named is worse. */
  found: Evaluation
  /** The exact answers to the same need under each policy, and the policy that is planned by. */
  byPolicy: Readonly<Record<Policy, readonly PlanOption[]>>
  policy: Policy
  /** The exact answers to the same need with nothing but what the maker's list names; null where there is none. */
  listed?: readonly PlanOption[] | null
  /** The module that a piece is. */
  moduleOf?: (piece: PlacedPiece) => Module | undefined
  /** Whether an option hardly ever runs as it is set: it is none to recommend. */
  isUnlikely?: (option: PlanOption) => boolean
  /** Ranks that the shop prefers among options that gain alike; any where left out. */
  ranks?: RankChoice
  /** How many times as fast an option makes the customer's work. */
  gainOf: (option: PlanOption) => number
  /** Whether games come steadier with it, though nobody would notice more speed. */
  isSteadier?: (option: PlanOption) => boolean
}

/** Gains nearer to each other than this share are the same to the person at the keyboard: noise is as large. */
const ALIKE = 0.02
/** A loss smaller than this is none. */
const NO_LOSS = 0.995

const MIXING: readonly FindingCode[] = ['MIXED_MODULES', 'KITS_COMBINED', 'KIT_SPLIT']

/**
 * The plans a technician would look at first: the cheapest, the best for this use, the safest (one
 * matched set), the cheapest of which the maker's list names all, and the one to start with now and add to later.
 * None is worse than what is there, and none hardly ever runs; the last three only where they differ from the others.
 */
export function recommendations(given: RecommendationCase): Recommendation[] {
  const { byPolicy, policy, gainOf } = given
  const asked = byPolicy[policy].filter((one) => isNoWorse(given, one))
  if (asked.length === 0) return []
  const least = bestBy(asked, (one) => [-one.cost, gainOf(one)])
  const gain = Math.max(...asked.map(gainOf))
  const alike = asked.filter((one) => gainOf(one) >= gain * (1 - ALIKE))
  const steady = alike.filter((one) => given.isSteadier?.(one))
  const good = steady.length > 0 ? steady : alike
  const ranked = good.filter((one) => hasChosenRanks(given, one))
  const best = bestBy(ranked.length > 0 ? ranked : good, (one) => [-one.cost, gainOf(one)])
  const named: Named[] = [
    { name: 'lowest-cost', option: least, reasons: whyLeast(given, least) },
    { name: 'best-for-use', option: best, reasons: whyBest(given, best, least) },
  ]
  const add = (
    name: RecommendationName,
    option: PlanOption | null,
    reasons: RecommendationReason[],
  ) => {
    if (option && !named.some((one) => areSame(one.option, option))) {
      named.push({ name, option, reasons })
    }
  }
  const set = safest(given)
  add('safest', set, [{ code: set && !isOneKit(given, set) ? 'ALIKE' : 'ONE_SET' }])
  const listed = (given.listed ?? []).filter((one) => isNoWorse(given, one) && !isEmpty(one))
  const onList = listed.length > 0 ? bestBy(listed, (one) => [-one.cost, gainOf(one)]) : null
  add('listed', onList, [{ code: 'LISTED' }])
  const later = addLater(given)
  add('add-later', later, later ? whyLater(given, later) : [])
  return named.map((one) => ({ ...one, givesUp: givesUp(given, one, named) }))
}

const isNoWorse = (
  { found, gainOf, isUnlikely }: RecommendationCase,
  option: PlanOption,
): boolean =>
  gainOf(option) >= NO_LOSS && option.usableGiB >= found.capacity.usableGiB && !isUnlikely?.(option)

const isEmpty = ({ placement }: PlanOption): boolean => Object.keys(placement).length === 0

/** One matched set with nothing mixed, the cheapest there is. */
function safest(given: RecommendationCase): PlanOption | null {
  const sets = given.byPolicy.matched.filter(
    (one) => isNoWorse(given, one) && !mixes(one) && one.evaluation.zones.length > 0,
  )
  return sets.length > 0 ? bestBy(sets, (one) => [-one.cost, given.gainOf(one)]) : null
}

/** Whether all modules in slots are the one kit that they were packaged in. */
function isOneKit({ moduleOf }: RecommendationCase, { placement }: PlanOption): boolean {
  if (!moduleOf) return true
  const kits = Object.values(placement).map((piece) => moduleOf(piece)?.kit ?? null)
  const [first] = kits
  if (kits.length === 1) return true
  return kits.length === first?.size && kits.every((kit) => kit?.id === first.id)
}

/** The fewest pieces bought now that leave a slot for their partner, with nothing thrown away later. */
function addLater(given: RecommendationCase): PlanOption | null {
  const { machine, byPolicy, gainOf } = given
  const starts = byPolicy.capacity.filter(
    (one) =>
      isNoWorse(given, one) &&
      partnerOf(one) !== null &&
      freeSlots(machine, one) > 0 &&
      reachableGiB(machine, one) > one.evaluation.capacity.installedGiB,
  )
  if (starts.length === 0) return null
  return bestBy(starts, (one) => [-bought(one).length, -one.cost, gainOf(one)])
}

/** The pieces bought for an option. */
const bought = ({ placement }: PlanOption): PlacedPiece[] =>
  Object.values(placement).filter(({ source }) => source === 'offer')

/** One more of what was bought goes in beside it later. */
const partnerOf = (option: PlanOption): PlacedPiece | null => bought(option)[0] ?? null

const mixes = ({ evaluation }: PlanOption): boolean =>
  evaluation.findings.some(({ code }) => MIXING.includes(code))

const areSame = (a: PlanOption, b: PlanOption): boolean =>
  a.cost === b.cost &&
  a.usableGiB === b.usableGiB &&
  a.wholePeakGBs === b.wholePeakGBs &&
  a.firstWordNs === b.firstWordNs

/** The most memory an option can be brought to later with everything in it kept, GiB. */
export function reachableGiB(machine: Machine, option: PlanOption): number {
  const { totalGiB, slotGiB } = machine.limits
  return Math.min(
    totalGiB,
    option.evaluation.capacity.installedGiB + freeSlots(machine, option) * slotGiB,
  )
}

const freeSlots = (machine: Machine, option: PlanOption): number =>
  machine.slots.length - Object.keys(option.placement).length

function bestBy(
  options: readonly PlanOption[],
  worth: (option: PlanOption) => number[],
): PlanOption {
  return options.reduce((best, one) => {
    const [own, held] = [worth(one), worth(best)]
    const at = own.findIndex((figure, n) => figure !== held[n])
    return at >= 0 && (own[at] as number) > (held[at] as number) ? one : best
  })
}

function keeps(option: PlanOption): RecommendationReason[] {
  const pieces = Object.values(option.placement).filter(({ source }) => source === 'onHand').length
  return pieces > 0 ? [{ code: 'KEEPS_OWN', pieces }] : []
}

function whyLeast(given: RecommendationCase, option: PlanOption): RecommendationReason[] {
  const cheaper = Object.values(given.byPolicy).some((options) =>
    options.some((one) => one.cost < option.cost && isNoWorse(given, one)),
  )
  const under = cheaper ? given.policy : null
  const first: RecommendationReason =
    option.cost === 0 ? { code: 'NOTHING_BOUGHT' } : { code: 'CHEAPEST', cost: option.cost, under }
  return [first, ...keeps(option)]
}

function whyBest(
  given: RecommendationCase,
  option: PlanOption,
  least: PlanOption,
): RecommendationReason[] {
  const { gainOf, isSteadier } = given
  const besides: RecommendationReason[] = [
    ...(isSteadier?.(option) ? [{ code: 'STEADIER' as const }] : []),
    ...(hasTwoRanks(given, option) ? [{ code: 'TWO_RANKS' as const }] : []),
    ...(given.ranks && given.ranks !== 'any' && isOneRanked(given, option)
      ? [{ code: 'ONE_RANK' as const }]
      : []),
    ...keeps(option),
  ]
  if (option === least) return [{ code: 'NO_GAIN_FOR_MORE' }, ...besides]
  const gain = gainOf(option) - 1
  return [{ code: 'GAIN', gain, more: gainOf(option) - gainOf(least) }, ...besides]
}

/** Whether an option has the ranks that the shop chooses for the rate it runs at. */
function hasChosenRanks(given: RecommendationCase, option: PlanOption): boolean {
  const { ranks = 'any' } = given
  const { run } = option.evaluation
  const above = run?.profile === true && run.dataRate > run.controllerRating
  const wanted = ranks === 'by-rate' ? (above ? 'one' : 'two') : ranks
  if (wanted === 'any') return true
  return wanted === 'two' ? hasTwoRanks(given, option) : isOneRanked(given, option)
}

/** Whether each channel of a machine with several has two ranks or more. */
const hasTwoRanks = (given: RecommendationCase, option: PlanOption): boolean =>
  given.machine.channels.length > 1 && ranksByChannel(given, option).every((count) => count >= 2)

/** Whether no channel in use has more than one rank. */
const isOneRanked = (given: RecommendationCase, option: PlanOption): boolean =>
  given.moduleOf !== undefined && ranksByChannel(given, option).every((count) => count <= 1)

/** Ranks on each channel, where it is known which modules an option has. */
function ranksByChannel(
  { machine, moduleOf }: RecommendationCase,
  { placement }: PlanOption,
): number[] {
  const ranks = new Map(machine.channels.map((channel) => [channel, 0]))
  for (const { channel, module } of machine.soldered) {
    ranks.set(channel, (ranks.get(channel) ?? 0) + module.ranks)
  }
  for (const slot of machine.slots) {
    const piece = placement[slot.id]
    const own = piece && moduleOf?.(piece)
    if (!own) continue
    for (const channel of slotChannels(slot)) {
      ranks.set(channel, (ranks.get(channel) ?? 0) + own.ranks)
    }
  }
  return [...ranks.values()]
}

function whyLater(
  { machine, byPolicy, moduleOf }: RecommendationCase,
  option: PlanOption,
): RecommendationReason[] {
  const piece = partnerOf(option)
  const partner = piece && moduleOf?.(piece)
  const later = partner ? option.usableGiB + partner.capacityGiB : Number.POSITIVE_INFINITY
  const sets = byPolicy.matched.filter((one) => one.usableGiB >= later && !mixes(one))
  const today = sets.length > 0 ? Math.min(...sets.map(({ cost }) => cost)) : null
  return [
    { code: 'FREE_SLOTS', slots: freeSlots(machine, option) },
    ...(piece ? [{ code: 'PARTNER' as const, piece, today }] : []),
  ]
}

/** In one line: money against the cheapest, gain and memory against the most, mixing and slots where others spare them. */
function givesUp(
  { machine, gainOf }: RecommendationCase,
  { option }: Named,
  named: readonly Named[],
): GivesUp[] {
  const others = named.map((one) => one.option).filter((one) => one !== option)
  if (others.length === 0) return []
  const found: GivesUp[] = []
  const cheapest = Math.min(...others.map(({ cost }) => cost))
  if (option.cost > cheapest) found.push({ code: 'COSTS_MORE', by: option.cost - cheapest })
  const fastest = Math.max(...others.map(gainOf))
  const less = fastest / gainOf(option) - 1
  if (less > ALIKE) found.push({ code: 'LESS_GAIN', by: less })
  const largest = Math.max(...others.map(({ usableGiB }) => usableGiB))
  if (largest > option.usableGiB) {
    found.push({ code: 'LESS_MEMORY', by: largest - option.usableGiB })
  }
  if (mixes(option) && others.some((one) => !mixes(one))) found.push({ code: 'MIXES' })
  const noRoom = freeSlots(machine, option) === 0
  if (noRoom && others.some((one) => freeSlots(machine, one) > 0)) {
    found.push({ code: 'NO_FREE_SLOT' })
  }
  return found
}
