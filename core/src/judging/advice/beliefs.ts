import type { Evaluation, Machine, Module, Placement, Run } from '../../things/model'
import { soldSpeedOf } from '../../things/model'
import { fittedModules } from '../evaluate'

/** Beliefs about memory that customers and technicians bring along. */
export const BELIEFS = [
  'UNEVEN_LOSES_DUAL',
  'COLOURS_TELL',
  'SLOTS_ARE_CHANNELS',
  'LABEL_IS_SPEED',
  'MORE_IS_FASTER',
  'MIXING_BREAKS',
] as const
export type MemoryBelief = (typeof BELIEFS)[number]

/** Figures of one machine that its beliefs are answered with; sizes in GiB, rates in MT/s. */
export interface BeliefFigures {
  machine: Pick<Machine, 'slots' | 'channels' | 'interleave'>
  /** How its memory lies: so many GiB over so many channels at once. */
  zones: Evaluation['zones']
  /** Slots in the maker's order; null where it is not known of each. */
  order: string[] | null
  /** Colours of its slots in that order, where the board shows them. */
  colours: string[]
  /** Rate it runs at, its limiter, and the fastest rate on a label in it; null where it does not run. */
  speed: { runs: number; limitedBy: Run['limitedBy']; labelled: number } | null
  usableGiB: number
  /** Different articles in it. */
  articles: string[]
}

/** The figures of a machine as it stands with these modules. */
export function beliefFigures(
  machine: Machine,
  placement: Placement,
  { zones, run, capacity }: Evaluation,
): BeliefFigures {
  const modules = fittedModules(machine, placement).map(({ module }) => module)
  const ordered = machine.slots.toSorted((a, b) => (a.order ?? 0) - (b.order ?? 0))
  const isKnown = machine.slots.length > 0 && machine.slots.every(({ order }) => order !== null)
  return {
    machine,
    zones,
    order: isKnown ? ordered.map(({ id }) => id) : null,
    colours: ordered.flatMap(({ color }) => color ?? []),
    speed: run
      ? {
          runs: run.dataRate,
          limitedBy: run.limitedBy,
          labelled: Math.max(...modules.map((one) => soldSpeedOf(one)?.dataRate ?? 0)),
        }
      : null,
    usableGiB: capacity.usableGiB,
    articles: [...new Set(modules.map(articleOf))],
  }
}

const articleOf = ({ article }: Module): string => article
