import { evaluate } from '../src/judging/evaluate'
import type { Evaluation, Machine, Module } from '../src/things/model'
import type { PlanCase } from './planCases'

export interface Brute {
  cost: number
  gib: number
  peak: number
  ns: number
  purchases: number
  pieces: number
}

interface Single {
  module: Module
  /** Which purchase it comes with, null for what is owned. */
  purchase: number | null
}

/**
 * Every plan there is, one by one, by the contract's words alone: each slot empty or with any piece,
 * evaluated, judged, and weighed against all others.
 */
export function bruteForce(request: PlanCase): Brute[] {
  const { machine, onHand, offers, need, settings } = request
  const purchases = offers.flatMap((offer) => Array.from({ length: offer.stock }, () => offer))
  const singles: Single[] = [
    ...onHand.map((module) => ({ module, purchase: null })),
    ...purchases.flatMap(({ module, pieces }, purchase) =>
      Array.from({ length: pieces }, () => ({
        module:
          pieces > 1 ? { ...module, kit: { id: `bought ${purchase}`, size: pieces } } : module,
        purchase,
      })),
    ),
  ]
  const plans: Brute[] = []

  const place = (at: number, used: boolean[], held: (number | null)[]) => {
    if (at < machine.slots.length) {
      place(at + 1, used, [...held, null])
      singles.forEach((_, one) => {
        if (used[one]) return
        used[one] = true
        place(at + 1, used, [...held, one])
        used[one] = false
      })
      return
    }
    const placed = held.filter((one) => one !== null).map((one) => singles[one] as Single)
    const bought = new Set(placed.flatMap(({ purchase }) => (purchase === null ? [] : [purchase])))
    const whole = [...bought].every(
      (one) => placed.filter(({ purchase }) => purchase === one).length === purchases[one]?.pieces,
    )
    if (!whole) return
    const cost = [...bought].reduce((sum, one) => sum + (purchases[one]?.price ?? 0), 0)
    if (need.budget !== null && cost > need.budget) return
    const placement = Object.fromEntries(
      held.flatMap((one, n) =>
        one === null ? [] : [[machine.slots[n]?.id, singles[one]?.module as Module]],
      ),
    )
    if (machine.slots.length - placed.length < (need.freeSlots ?? 0)) return
    const testedWith = ({ module }: Single) =>
      need.listed?.find(({ article }) => article === module.article)?.modules ?? 0
    if (need.listed && placed.some((one) => testedWith(one) < placed.length)) return
    const { profile } = settings
    const evaluation = evaluate({ machine, placement, settings: { profile } })
    if (!evaluation.run || evaluation.capacity.usableGiB < need.minGiB) return
    if (!allows(request, placement, evaluation)) return
    const add = ({ run, capacity }: Evaluation) =>
      plans.push({
        cost,
        gib: capacity.usableGiB,
        peak: Number(run?.wholePeakGBs.toFixed(7)),
        ns: Number(run?.firstWordNs.toFixed(7)),
        purchases: bought.size,
        pieces: placed.length,
      })
    add(evaluation)
    if (settings.tune && machine.profiles && evaluation.run.clocking === 'half-rate') {
      const manual = { dataRate: machine.syncCeiling, timings: null }
      add(evaluate({ machine, placement, settings: { profile, manual } }))
    }
  }
  place(0, [], [])
  return worthHaving(plans)
}

function allows(
  { machine, policy }: PlanCase,
  placement: Record<string, Module>,
  { findings }: Evaluation,
): boolean {
  if (policy === 'capacity') return true
  const gib = (channel: string) => onChannel(machine, placement, channel)
  const could = machine.channels.filter((channel) =>
    [...machine.slots, ...machine.soldered].some((one) => one.channel === channel),
  )
  if (could.some((channel) => gib(channel) === 0 || gib(channel) !== gib(could[0] as string))) {
    return false
  }
  if (policy === 'balanced') return true
  const articles = new Set(Object.values(placement).map(({ article }) => article))
  const kits = findings.some(({ code }) => code === 'KIT_SPLIT' || code === 'KITS_COMBINED')
  return articles.size <= 1 && !kits
}

function onChannel(machine: Machine, placement: Record<string, Module>, channel: string): number {
  const soldered = machine.soldered.filter((one) => one.channel === channel)
  const slots = machine.slots.filter((one) => one.channel === channel)
  return (
    soldered.reduce((sum, { module }) => sum + module.capacityGiB, 0) +
    slots.reduce((sum, { id }) => sum + (placement[id]?.capacityGiB ?? 0), 0)
  )
}

function worthHaving(plans: readonly Brute[]): Brute[] {
  const distinct = new Map<string, Brute>()
  for (const one of plans) {
    const key = [one.cost, one.gib, one.peak, one.ns].join()
    const held = distinct.get(key)
    const fewer =
      !held ||
      one.purchases < held.purchases ||
      (one.purchases === held.purchases && one.pieces < held.pieces)
    if (fewer) distinct.set(key, one)
  }
  const all = [...distinct.values()]
  const beaten = (one: Brute) =>
    all.some(
      (other) =>
        other !== one &&
        other.cost <= one.cost &&
        other.gib >= one.gib &&
        other.peak >= one.peak &&
        other.ns <= one.ns,
    )
  return all
    .filter((one) => !beaten(one))
    .sort((a, b) => a.cost - b.cost || b.gib - a.gib || b.peak - a.peak || a.ns - b.ns)
}
