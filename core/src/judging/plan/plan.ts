import type { Machine, Module, Placement } from '../../things/model'
import { evaluate } from '../evaluate'
import { blockersOf } from './blockers'
import { fillingOrder } from './channels'
import { admittedBy } from './listed'
import { poolsOf } from './pools'
import {
  Offer,
  type PlacedPiece,
  type PlanAnswer,
  type PlanOption,
  type PlanRequest,
} from './request'
import { type Details, type Found, newFront, type OnSearchProgress, search } from './search'
import { type Bundle, boughtModule, supplyOf } from './supply'

/**
 * Every trade-off worth having between cost, usable memory, peak and first word: see the `PlanOption`s.
 * Exact. Sorted by cost, then usable memory falling. Where no plan is feasible the blockers are every
 * smallest set of requirements that, relaxed together, opens one up. Anything `onProgress` throws ends
 * the search.
 */
export function plan(request: PlanRequest, onProgress: OnSearchProgress = () => {}): PlanAnswer {
  const { bundles, setAside } = supplyOf(request)
  const found = optionsOf(request, bundles, onProgress)
  if (found.options.length > 0) return { ...found, blockers: [], setAside }
  const relaxed = blockersOf(request, (eased) => optionsOf(eased, bundles, onProgress))
  return {
    options: [],
    blockers: relaxed.blockers,
    setAside,
    examined: found.examined + relaxed.examined,
  }
}

interface Result {
  options: PlanOption[]
  examined: number
}

function optionsOf(
  request: PlanRequest,
  bundles: readonly Bundle[],
  onProgress: OnSearchProgress,
): Result {
  const { machine, need, policy, settings } = request
  const front = newFront()
  const pools = admittedBy(request, bundles).flatMap(({ bundles: admitted, freeSlots }) =>
    poolsOf(machine, admitted, policy).map((pool) => ({ pool, need: { ...need, freeSlots } })),
  )
  const evenness = policy === 'capacity' ? 'any' : 'even'
  let examined = 0
  pools.forEach(({ pool, need: own }, at) => {
    examined += search(
      { machine, profile: settings.profile, tune: settings.tune ?? false, need: own, evenness },
      pool,
      front,
      (share) => onProgress((at + share) / pools.length),
    )
  })
  return { options: front.plans.map((one) => optionOf(request, one)).sort(byCost), examined }
}

function byCost(a: PlanOption, b: PlanOption): number {
  return (
    a.cost - b.cost ||
    b.usableGiB - a.usableGiB ||
    b.wholePeakGBs - a.wholePeakGBs ||
    a.firstWordNs - b.firstWordNs
  )
}

function optionOf(request: PlanRequest, found: Found): PlanOption {
  const placed = piecesOf(request, found.details())
  const placement = Object.fromEntries(placed.map(({ slot, piece }) => [slot, piece]))
  const modules: Placement = Object.fromEntries(placed.map(({ slot, module }) => [slot, module]))
  const { machine, settings: asked } = request
  const settings = {
    profile: asked.profile,
    manual: found.setTo === null ? null : { dataRate: found.setTo, timings: null },
  }
  const evaluation = evaluate({ machine, placement: modules, settings })
  const { cost, purchases, usableGiB, wholePeakGBs, firstWordNs } = found
  const run = evaluation.run
  return {
    placement,
    cost,
    purchases,
    usableGiB,
    wholePeakGBs: run?.wholePeakGBs ?? wholePeakGBs,
    firstWordNs: run?.firstWordNs ?? firstWordNs,
    evaluation,
    ...(asked.tune ? { settings } : {}),
  }
}

interface Placed {
  slot: string
  piece: PlacedPiece
  module: Module
}

/** Deals the pieces taken to the slots of the spread in filling order, so that a kit lies across channels. */
function piecesOf({ machine, onHand, offers }: PlanRequest, details: Details): Placed[] {
  const waiting = new Map<number, Omit<Placed, 'slot'>[]>()
  const bought = new Map<string, number>()
  const kitIds = kitIdsIn(machine, onHand)
  for (const unit of details.taken) {
    const { source, index, module, pieces } = unit.bundle
    const at = details.classOf(unit)
    const list = waiting.get(at) ?? []
    waiting.set(at, list)
    if (source === 'onHand') {
      list.push({ piece: { source, index }, module })
      continue
    }
    const { id } = Offer.parse(offers[index])
    const nth = bought.get(id) ?? 0
    bought.set(id, nth + 1)
    let kitId = `${id} #${nth + 1}`.slice(-110)
    while (kitIds.has(kitId)) kitId += '+'
    for (let n = 0; n < pieces; n += 1) {
      const piece: PlacedPiece = { source, id, unit: nth * pieces + n }
      list.push({ piece, module: boughtModule(module, pieces, kitId) })
    }
  }
  const slots = details.channels.channels.flatMap(({ slots: own }, at) =>
    (details.spread.byChannel[at] ?? []).map((one, n) => ({ slot: own[n] as string, class: one })),
  )
  const order = fillingOrder(machine)
  return slots
    .sort((a, b) => order.indexOf(a.slot) - order.indexOf(b.slot))
    .map(({ slot, class: at }) => {
      const next = waiting.get(at)?.shift()
      if (!next) throw new Error('a plan places more modules than it takes')
      return { slot, ...next }
    })
}

function kitIdsIn(machine: Machine, onHand: readonly unknown[]): Set<string> {
  const owned = (onHand as { kit?: { id?: unknown } | null }[]).map((one) => one?.kit?.id)
  const soldered = machine.soldered.map(({ module }) => module.kit?.id)
  return new Set([...owned, ...soldered].filter((id): id is string => typeof id === 'string'))
}
