import { z } from 'zod'
import {
  type Evaluation,
  type FindingCode,
  LimitGiB,
  Machine,
  Module,
  POLICIES,
  Policy,
  Settings,
} from '../../things/model'

export { POLICIES, Policy }

const Price = z.int().min(0).max(1_000_000_000)

/** `pieces` identical modules sold together (a kit when more than one) for `price` in minor units, `stock` times. */
export const Offer = z.object({
  id: z.string().min(1).max(200),
  module: Module,
  pieces: z.int().positive().max(64),
  price: Price,
  stock: z.int().min(0).max(1_000_000),
})
export type Offer = z.infer<typeof Offer>

/** An article on the maker's list of tested modules, and with how many of it, at most, it was tested. */
const Listed = z.object({
  article: z.string().min(1).max(120),
  modules: z.int().positive().max(64),
})
export type Listed = z.infer<typeof Listed>

/**
 * `minGiB` is the usable memory wanted at least; `budget` in minor units, null where there is none;
 * `freeSlots` how many slots stay empty at least; with `listed` only articles of the maker's list are
 * placed, each in no more slots in all than it was tested with.
 */
export const Need = z.object({
  minGiB: LimitGiB.or(z.literal(0)),
  budget: Price.nullable(),
  freeSlots: z.int().min(0).max(64).optional(),
  listed: z.array(Listed).max(20_000).nullable().optional(),
})
export type Need = z.infer<typeof Need>

/** `tune`: a plan that would run at half rate counts a second time, set by hand to the ceiling. */
const PlanSettings = Settings.pick({ profile: true }).extend({ tune: z.boolean().optional() })

const frame = {
  machine: Machine,
  need: Need,
  policy: Policy,
  settings: PlanSettings.default({ profile: false }),
}

/** The frame must be right; what is on hand and on offer is looked at piece by piece. */
export const PlanRequest = z.object({
  ...frame,
  onHand: z.array(z.unknown()).max(64),
  offers: z.array(z.unknown()).max(20_000),
})

export interface PlanRequest extends z.infer<z.ZodObject<typeof frame>> {
  /** What the customer owns: each piece at most once, free. */
  onHand: readonly unknown[]
  offers: readonly unknown[]
}

/** Where a placed piece comes from; `unit` counts an offer's pieces through all its stock. */
export type PlacedPiece =
  | { source: 'onHand'; index: number }
  | { source: 'offer'; id: string; unit: number }

/** The figures plans are weighed by: cost in minor units, GiB, GB/s, ns. */
export interface PlanFigures {
  cost: number
  usableGiB: number
  wholePeakGBs: number
  firstWordNs: number
}

/** A plan worth having. */
export interface PlanOption extends PlanFigures {
  placement: Record<string, PlacedPiece>
  /** How many offers are bought; a kit counts once. */
  purchases: number
  evaluation: Evaluation
  /** What it is set to; only where plans are tuned. */
  settings?: Settings
}

export const REQUIREMENTS = ['minGiB', 'budget', 'freeSlots', 'listed', 'policy'] as const
export type Requirement = (typeof REQUIREMENTS)[number]

/**
 * A smallest set of requirements that, relaxed together as far as `to`, opens a plan up: the nearest one
 * is `option`. The one of `supply` says that nothing at hand or on offer starts the machine.
 */
export type Blocker =
  | { requirements: Requirement[]; to: Relaxed; option: PlanOption }
  | { requirements: ['supply']; to: Record<string, never>; option: null }

/** How far requirements have to be relaxed. */
export interface Relaxed {
  minGiB?: number
  budget?: number
  freeSlots?: number
  /** Modules that are not on the list count too. */
  listed?: null
  policy?: Policy
}

export const REFUSALS = [
  'NOT_A_MODULE',
  'NOT_AN_OFFER',
  'DOUBLED_ID',
  'OUT_OF_STOCK',
  'TOO_MANY_PIECES',
] as const
export type Refusal = (typeof REFUSALS)[number]

/** A piece or offer the planner cannot use, and why. */
export interface SetAside {
  source: 'onHand' | 'offer'
  /** Place in the list of the request. */
  index: number
  id: string | null
  reasons: (Refusal | FindingCode)[]
  /** For what does not have the shape of a module or offer: the fields at fault. */
  fields: { path: string; message: string }[]
}

export interface PlanAnswer {
  options: PlanOption[]
  blockers: Blocker[]
  setAside: SetAside[]
  /** Plans compared; what is alike in everything that matters was compared once. */
  examined: number
}
