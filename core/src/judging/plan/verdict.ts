import {
  type FindingCode,
  type Machine,
  type Module,
  type Placement,
  slotChannels,
} from '../../things/model'
import { channelCapacities, evaluate, type Fitted, fittedModules } from '../evaluate'
import { POLICIES, type Policy } from './request'

export const OBJECTIONS = [
  'CHANNEL_EMPTY',
  'CHANNELS_UNEVEN',
  'ARTICLES_MIXED',
  'KIT_SPLIT',
  'KITS_COMBINED',
] as const
export type Objection = (typeof OBJECTIONS)[number]

const AGAINST: Record<Policy, readonly Objection[]> = {
  matched: OBJECTIONS,
  balanced: ['CHANNEL_EMPTY', 'CHANNELS_UNEVEN'],
  capacity: [],
}

/** What each policy has against a placement; nothing where it accepts it. */
export function verdicts(machine: Machine, placement: Placement): Record<Policy, Objection[]> {
  const fitted = fittedModules(machine, placement)
  const { findings } = evaluate({ machine, placement, settings: { profile: false } })
  const found = (code: FindingCode) => findings.some((one) => one.code === code)
  const capacities = channelCapacities(fitted)
  const populatable = new Set([...machine.slots, ...machine.soldered].flatMap(slotChannels))
  const applies: Record<Objection, boolean> = {
    CHANNEL_EMPTY: capacities.size < populatable.size,
    CHANNELS_UNEVEN: new Set(capacities.values()).size > 1,
    ARTICLES_MIXED: distinct(placed(fitted), ({ article }) => article) > 1,
    KIT_SPLIT: found('KIT_SPLIT'),
    KITS_COMBINED: found('KITS_COMBINED'),
  }
  const entries = POLICIES.map((policy) => [policy, AGAINST[policy].filter((one) => applies[one])])
  return Object.fromEntries(entries) as Record<Policy, Objection[]>
}

export const placed = (fitted: readonly Fitted[]): Module[] =>
  fitted.flatMap(({ slot, module }) => (slot === null ? [] : [module]))

export const distinct = <T>(items: readonly T[], of: (item: T) => unknown): number =>
  new Set(items.map(of)).size
