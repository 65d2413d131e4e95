import type { Machine, Module, Placement } from '../../things/model'
import { fillingOrder, type PlanOption, reachableGiB } from '../plan'

/** A machine somebody may buy: its price, what its maker puts in, and what the maker asks for the upgrade; minor units. */
export interface MachineCandidate {
  machine: Machine
  price: number | null
  /** Contents of its slots as it is sold. */
  factory: Placement
  /** The maker's price for the upgrade to the memory needed; null where not offered or unknown. */
  makersUpgrade: number | null
}

/** A candidate's totals, with the memory it needs. */
export interface Compared {
  /** The cheapest plan that meets the need with the shop's modules; null where none does. */
  option: PlanOption | null
  /** The machine and the shop's modules; null where there is no plan or no price. */
  total: number | null
  /** The machine with its maker's own upgrade; null where either is not known. */
  makersTotal: number | null
  /** Factory modules that would be taken out, GiB of each. */
  thrownAway: number[]
  /** The most memory it can be brought to later with everything in it kept, GiB. */
  reachGiB: number
  slotsLeft: number
}

/** The factory's modules, in the order of the machine's slots: what a plan has on hand. */
export const factoryModules = ({ machine, factory }: MachineCandidate): Module[] =>
  machine.slots.flatMap(({ id }) => factory[id] ?? [])

/** All the memory of a machine as it is sold, GiB. */
export const factoryGiB = (candidate: MachineCandidate): number =>
  [...candidate.machine.soldered.map(({ module }) => module), ...factoryModules(candidate)].reduce(
    (sum, { capacityGiB }) => sum + capacityGiB,
    0,
  )

/** Totals of a candidate, from the planner's options for it; their `onHand` must be `factoryModules`. */
export function compareBuying(
  candidate: MachineCandidate,
  options: readonly PlanOption[],
): Compared {
  const { machine, price, makersUpgrade } = candidate
  const modules = factoryModules(candidate)
  const option = options.reduce<PlanOption | null>(
    (best, one) => (best === null || one.cost < best.cost ? one : best),
    null,
  )
  const kept = new Set(
    Object.values(option?.placement ?? {}).flatMap((piece) =>
      piece.source === 'onHand' ? [piece.index] : [],
    ),
  )
  const filled = option ? Object.keys(option.placement).length : modules.length
  return {
    option,
    total: option && price !== null ? price + option.cost : null,
    makersTotal: price !== null && makersUpgrade !== null ? price + makersUpgrade : null,
    thrownAway: option
      ? modules.flatMap(({ capacityGiB }, at) => (kept.has(at) ? [] : [capacityGiB]))
      : [],
    reachGiB: option
      ? reachableGiB(machine, option)
      : Math.min(
          machine.limits.totalGiB,
          factoryGiB(candidate) + (machine.slots.length - filled) * machine.limits.slotGiB,
        ),
    slotsLeft: fillingOrder(machine).length - filled,
  }
}
