import {
  type Evaluation,
  known,
  type Machine,
  type Module,
  type Placement,
  type Settings,
  usualSpeed,
} from '../../things/model'
import {
  aboveRating,
  evaluate,
  fittedModules,
  moduleStops,
  profilePossible,
  speedLimits,
  topRate,
} from '../evaluate'
import { type Forecast, type ForecastWord, isSteadier, type ShopResult } from '../forecast'
import { fillingOrder } from '../plan'
import {
  boundOf,
  forecaster,
  judgeNeed,
  type NeedSaid,
  slotSizes,
  type UseTable,
  workOf,
} from '../sizing'
import { type Move, movesBetween, rearrangements } from './rearrange'

/** Causes in the machine as it is that slow its memory. */
export const LAYOUT_REASONS = [
  'SINGLE_CHANNEL',
  'CHANNELS_UNUSED',
  'UNEVEN_CHANNELS',
  'SLOT_ORDER',
  'SPEED_LOWERED',
  'PROFILE_OFF',
] as const
export type LayoutReason = (typeof LAYOUT_REASONS)[number]

/** Facts that must be known before the layout can be judged. */
export const LAYOUT_QUESTIONS = [
  'SLOTS',
  'INTERLEAVE',
  'PROFILE',
  'USES',
  'GRAPHICS',
  'GAMES_BOUND',
] as const
export type LayoutQuestion = (typeof LAYOUT_QUESTIONS)[number]

/** Gain of a layout for the customer's uses: times as fast, with the 90 % range. */
export interface LayoutGain {
  words: ForecastWord
  median: number
  most: [number, number]
  /** The slowest 1 % of frames, of games; null for other works. */
  low1: Forecast['low1']
}

/** Gain from moving, taking out and setting alone. */
export interface FreeLayout extends LayoutGain {
  moves: Move[]
  settings: { profile: boolean }
}

/** Gain from bought modules through the layout alone; added capacity is not counted. */
export interface BoughtLayout extends LayoutGain {
  adds: { slot: string; capacityGiB: number }[]
  takesOut: string[]
}

export interface LayoutAdvice {
  reasons: LayoutReason[]
  free: FreeLayout | null
  bought: BoughtLayout | null
  asks: LayoutQuestion[]
}

/** A machine as it is, and what its customer does with it. */
export interface LayoutCase {
  machine: Machine
  placement: Placement
  /** Null where nobody knows what is set. */
  settings: Settings | null
  /** Slots nobody has looked into. */
  unseen: readonly string[]
  table: UseTable
  said: NeedSaid
  results?: readonly ShopResult[]
}

export const LAYOUT = known(
  { alike: 0.01, worthSaying: 1.005 },
  'A gain that another layout reaches within a hundredth with fewer modules touched is not worth the touching.',
)

/**
 * Finds faults of the memory layout, the best correction without buying, and the gain that bought modules
 * would bring through the layout alone. Moves are those of the fewest modules; they keep slots that
 * must be filled and the maker's order, and what is taken out is not needed. Where a slot was not looked into
 * nothing is said but the question.
 */
export function layoutAdvice(given: LayoutCase): LayoutAdvice {
  const { machine, placement, unseen } = given
  if (unseen.length > 0) return { reasons: [], free: null, bought: null, asks: ['SLOTS'] }
  const settings = given.settings ?? { profile: false }
  const now = evaluate({ machine, placement, settings })
  if (!now.starts) return { reasons: [], free: null, bought: null, asks: [] }
  if (now.alternative && now.alternative.zones.length > 1) return eitherInterleave(given)
  const gainOf = forecaster(given.table, given.said, now, given.results)
  const reasons = reasonsIn(given, now)
  const free = bestFree(given, now, gainOf)
  const bought = bestBought(given, now, free, gainOf)
  return { reasons, free, bought, asks: questions(given, now, reasons) }
}

/** Where nobody knows how unequal channels interleave: as the careful rule says, with the lesser gain of both. */
function eitherInterleave(given: LayoutCase): LayoutAdvice {
  const [matched, flex] = (['matched', 'flex'] as const).map((interleave) =>
    layoutAdvice({ ...given, machine: { ...given.machine, interleave } }),
  ) as [LayoutAdvice, LayoutAdvice]
  const certain = {
    free: matched.free && flex.free ? lesser(matched.free, flex.free) : null,
    bought: matched.bought && flex.bought ? lesser(matched.bought, flex.bought) : null,
  }
  const differs =
    isFelt(matched.free) !== isFelt(certain.free) ||
    isFelt(matched.bought) !== isFelt(certain.bought)
  return {
    ...certain,
    reasons: matched.reasons.filter((one) => flex.reasons.includes(one)),
    asks: [...(differs ? (['INTERLEAVE'] as const) : []), ...matched.asks],
  }
}

const lesser = <G extends LayoutGain>(a: G, b: G): G => (a.median <= b.median ? a : b)

/** Whether a customer notices it, or might. */
export const isFelt = (gain: LayoutGain | null): boolean => gain !== null && gain.words !== 'NONE'

function reasonsIn({ machine, placement, settings }: LayoutCase, now: Evaluation): LayoutReason[] {
  const found = new Set<string>(now.findings.map(({ code }) => code))
  if (settings === null) found.delete('PROFILE_OFF')
  if (isSpeedLowered(machine, placement, settings, now)) found.add('SPEED_LOWERED')
  return LAYOUT_REASONS.filter((one) => found.has(one))
}

/** Whether the fastest modules in it, one to a channel, would run faster without the others. */
function isSpeedLowered(
  machine: Machine,
  placement: Placement,
  settings: Settings | null,
  { run }: Evaluation,
): boolean {
  if (!run || run.limitedBy === 'setting') return false
  const fitted = fittedModules(machine, placement)
  const kind = run.profile ? 'profile' : 'standard'
  const asked = settings?.profile ?? false
  const best = (of: typeof fitted) => Math.max(0, ...of.map(({ module }) => topRate(module, kind)))
  const soldered = fitted.filter(({ slot }) => slot === null)
  const placed = fitted.filter(({ slot }) => slot !== null)
  const fastest = placed.filter(({ module }) => topRate(module, kind) === best(placed))
  const profiled = placed.filter(({ module }) => topRate(module, 'profile') > 0)
  return [fastest, asked && !run.profile ? profiled : []].some((some) => {
    const taken = new Set(soldered.flatMap(({ channels }) => channels))
    const alone = [...soldered]
    for (const one of some) {
      if (one.channels.some((channel) => taken.has(channel))) continue
      for (const channel of one.channels) taken.add(channel)
      alone.push(one)
    }
    if (alone.length === 0) return false
    const set = asked && profilePossible(machine, alone) ? 'profile' : 'standard'
    return speedLimits(machine, alone, set).dataRate > run.dataRate
  })
}

type GainOf = (after: Evaluation) => Forecast | null

const gainIn = ({ words, median, most, low1 }: Forecast): LayoutGain => ({
  words,
  median,
  most,
  low1,
})

interface Candidate<T> {
  what: T
  gain: LayoutGain
  /** Effort, compared figure by figure; smaller is better. */
  effort: number[]
}

/** The one that brings the most; of those that bring as much, the one of the least effort; null where none is worth a word. */
function bestOf<T>(candidates: readonly Candidate<T>[]): Candidate<T> | null {
  const worth = candidates.filter(
    ({ gain }) => gain.median >= LAYOUT.value.worthSaying || isSteadier(gain),
  )
  const most = Math.max(...worth.map(({ gain }) => gain.median))
  const good = worth.filter(({ gain }) => gain.median >= most - LAYOUT.value.alike)
  const [best] = good.sort(
    (a, b) =>
      a.effort.reduce((held, one, at) => held || one - (b.effort[at] as number), 0) ||
      b.gain.median - a.gain.median,
  )
  return best ?? null
}

/** A placement that can be stood by: it starts, and keeps the maker's order. */
const isSound = ({ starts, findings }: Evaluation): boolean =>
  starts && !findings.some(({ code }) => code === 'SLOT_ORDER')

/** Whether any figure of the running memory is better: with none better no work gains. */
const mayGain = (now: Evaluation, after: Evaluation): boolean =>
  now.run !== null &&
  after.run !== null &&
  (after.run.wholePeakGBs > now.run.wholePeakGBs ||
    (after.zones[0]?.peakGBs ?? 0) > (now.zones[0]?.peakGBs ?? 0) ||
    after.run.firstWordNs < now.run.firstWordNs)

function bestFree(given: LayoutCase, now: Evaluation, gainOf: GainOf): FreeLayout | null {
  const { machine, placement, settings } = given
  const profiles = settings && machine.profiles && !settings.manual ? [settings.profile, true] : []
  const choices = [...new Set(profiles.length > 0 ? profiles : [settings?.profile ?? false])]
  const least = leastGiB(given, now)
  const candidates = rearrangements(machine, placement).flatMap((held) =>
    choices.flatMap((profile) => freeCandidate(given, now, held, profile, least, gainOf) ?? []),
  )
  return bestOf(candidates)?.what ?? null
}

/** Usable memory that must stay when modules are taken out, GiB; all of it where the need is unknown. */
function leastGiB({ table, said }: LayoutCase, { capacity }: Evaluation): number {
  const { demand } = judgeNeed(table, said, capacity.usableGiB)
  return demand ? Math.min(demand.likely, capacity.usableGiB) : capacity.usableGiB
}

function freeCandidate(
  { machine, placement, settings }: LayoutCase,
  now: Evaluation,
  held: Placement,
  profile: boolean,
  least: number,
  gainOf: GainOf,
): Candidate<FreeLayout> | null {
  const evaluation = evaluate({
    machine,
    placement: held,
    settings: { ...settings, profile },
  })
  if (!mayGain(now, evaluation)) return null
  if (!isSound(evaluation) || evaluation.capacity.usableGiB < least) return null
  if (profile && !evaluation.run?.profile) return null
  const isRaised = evaluation.run?.profile === true && now.run?.profile !== true
  if (isRaised && aboveRating(machine, held, evaluation)?.grade === 'unlikely') return null
  const forecast = gainOf(evaluation)
  if (!forecast) return null
  const gain = gainIn(forecast)
  const moves = movesBetween(
    machine.slots.map(({ id }) => id),
    placement,
    held,
  )
  const out = moves.filter(({ to }) => to === null).length
  const what = { ...gain, moves, settings: { profile } }
  return { what, gain, effort: [out, moves.length, isRaised ? 1 : 0] }
}

/**
 * Best layout with bought modules like the machine's own, beside them or in their place; more memory and
 * other speeds are not counted.
 */
function bestBought(
  given: LayoutCase,
  now: Evaluation,
  free: FreeLayout | null,
  gainOf: GainOf,
): BoughtLayout | null {
  const { machine, placement, settings } = given
  const slots = machine.slots.map(({ id }) => id)
  const likeness = templateOf(machine, placement)
  if (slots.length === 0 || !likeness) return null
  const standing: Placement = Object.fromEntries(
    Object.entries(placement).filter(([, module]) => module !== null),
  )
  const sizes = slotSizes(machine)
  const order = fillingOrder(machine)
  const used = Object.keys(standing)
  const capacity = now.capacity.usableGiB
  const candidates: Candidate<BoughtLayout>[] = []
  const look = (held: Placement, added: readonly string[], gib: number, takesOut: string[]) => {
    if (added.length === 0) return
    const module = likeness(gib)
    const after = { ...held, ...Object.fromEntries(added.map((slot) => [slot, module])) }
    const evaluation = evaluate({ machine, placement: after, settings: settings ?? NOT_SET })
    if (!isSound(evaluation) || !mayGain(now, evaluation)) return
    if (evaluation.capacity.usableGiB < capacity) return
    const layoutAlone = { ...evaluation.capacity, usableGiB: capacity }
    const forecast = gainOf({ ...evaluation, capacity: layoutAlone })
    if (!forecast) return
    const gain = gainIn(forecast)
    const adds = added.map((slot) => ({ slot, capacityGiB: gib }))
    const isUneven = evaluation.findings.some(({ code }) => code === 'UNEVEN_CHANNELS')
    const effort = [isUneven ? 1 : 0, takesOut.length, added.length, gib]
    candidates.push({ what: { ...gain, adds, takesOut }, gain, effort })
  }
  const empty = order.filter((slot) => !standing[slot])
  for (const gib of sizes) {
    if (moduleStops(machine, likeness(gib)).length > 0) continue
    // Beside what stays: the first empty slots of the order, or one of each channel that lacks a module.
    for (const count of empty.keys()) look(standing, empty.slice(0, count + 1), gib, [])
    for (const slot of empty) look(standing, [slot], gib, [])
    // In place of what is in it: the first slots of the order.
    for (const count of order.keys()) {
      const filled = order.slice(0, count + 1)
      look({}, filled, gib, used)
      const rest = Object.fromEntries(
        filled.flatMap((id) => (standing[id] ? [[id, standing[id]]] : [])),
      )
      const added = filled.filter((id) => !standing[id])
      look(
        rest,
        added,
        gib,
        used.filter((id) => !filled.includes(id)),
      )
    }
    // One of two unequal modules exchanged for one like the other.
    for (const slot of used) {
      const { [slot]: _, ...others } = standing
      look(others, [slot], gib, [slot])
    }
  }
  const best = bestOf(candidates)
  if (!best) return null
  // A free correction gains as much.
  if (free && best.gain.median <= free.median + LAYOUT.value.alike) return null
  return best.what
}

const NOT_SET: Settings = { profile: false }

/** A module of any size like the fastest one in the machine, as it could be bought for it; null with nothing to go by. */
function templateOf(machine: Machine, placement: Placement): ((gib: number) => Module) | null {
  const fitted = fittedModules(machine, placement)
  const [first, ...others] = fitted
  if (!first) return null
  const model = others.reduce(
    (best, one) =>
      topRate(one.module, 'standard') > topRate(best.module, 'standard') ? one : best,
    first,
  ).module
  const rate = topRate(model, 'standard')
  const like: Module = {
    ...model,
    formFactor: machine.formFactor,
    kit: null,
    speeds:
      model.formFactor === machine.formFactor
        ? model.speeds
        : [usualSpeed(machine.generation, rate)],
  }
  return (capacityGiB) => ({ ...like, capacityGiB })
}

/** Open questions whose answers may change the advice. */
function questions(
  { table, said, settings }: LayoutCase,
  now: Evaluation,
  reasons: readonly LayoutReason[],
): LayoutQuestion[] {
  const asks: LayoutQuestion[] = []
  const slowed = reasons.length > 0
  const profileOpen = settings === null && now.findings.some(({ code }) => code === 'PROFILE_OFF')
  if (profileOpen) asks.push('PROFILE')
  if (!slowed && !profileOpen) return asks
  if (said.uses.length === 0) asks.push('USES')
  const drawn = said.uses.filter((chosen) => {
    const row = table.uses.find(({ id }) => id === chosen.use)
    if (!row || workOf(row, true) !== 'integrated-graphics') return false
    const log = said.useLogs?.find(({ use }) => use === chosen.use) ?? null
    return row.work !== 'games' || boundOf(chosen, row, log) === null
  })
  const isGame = ({ use }: { use: string }) =>
    table.uses.some(({ id, work }) => id === use && work === 'games')
  if (said.integratedGraphics === null && drawn.length > 0) asks.push('GRAPHICS')
  if (said.integratedGraphics !== true && drawn.some(isGame)) asks.push('GAMES_BOUND')
  return asks
}
