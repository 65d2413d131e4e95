import { dieGbit, type Machine, type Placement, type Settings } from '../../things/model'
import { byChannel, differ, fittedModules, hasProfile, topRate } from '../evaluate'
import { distinct, placed } from './verdict'

export const MIXING_REASONS = [
  'ARTICLES',
  'SOLDERED',
  'KITS',
  'DIES',
  'RANKS',
  'RATES',
  'SHARED_CHANNEL',
  'PROFILE',
  'TOUCHY',
] as const
export type MixingReason = (typeof MIXING_REASONS)[number]

export const MIXING_LEVELS = ['none', 'low', 'some', 'high'] as const
export type MixingLevel = (typeof MIXING_LEVELS)[number]

export interface MixingRisk {
  level: MixingLevel
  reasons: MixingReason[]
}

/**
 * How much each adds: a profile asks the most of modules that were not tested together; a platform
 * known to be touchy and unlike dies next; ranks, rates and shared channels are handled by the rules
 * of the standard and go wrong less often.
 */
const WEIGHT: Record<MixingReason, number> = {
  ARTICLES: 1,
  SOLDERED: 1,
  KITS: 1,
  DIES: 1,
  RANKS: 1,
  RATES: 1,
  SHARED_CHANNEL: 1,
  PROFILE: 3,
  TOUCHY: 2,
}

/**
 * What mixing modules risks: freezes and crashes that a matched set would not have. None only where the
 * evaluation finds no different modules and no kits combined. A module beside soldered memory is meant
 * to be there: how unlike the two are counts for nothing more.
 */
export function mixingRisk(
  machine: Machine,
  placement: Placement,
  settings: Settings,
  touchy: boolean,
): MixingRisk {
  const fitted = fittedModules(machine, placement)
  const modules = placed(fitted)
  const kinds = (of: (module: (typeof modules)[number]) => unknown) => distinct(modules, of) > 1
  const mixed = kinds(({ article }) => article)
  const kits = new Set(fitted.flatMap(({ module }) => (module.kit ? [module.kit.id] : []))).size > 1
  const profile =
    settings.profile && machine.profiles && fitted.every((one) => hasProfile(one.module))
  const applies: Record<MixingReason, boolean> = {
    ARTICLES: mixed,
    SOLDERED: !mixed && differ(fitted, ({ article }) => article),
    KITS: kits,
    DIES: kinds((module) => `${dieGbit(module)} ${module.deviceWidth}`),
    RANKS: kinds(({ ranks }) => ranks),
    RATES: kinds((module) => topRate(module, 'standard')),
    SHARED_CHANNEL: mixed && [...byChannel(fitted).values()].some((held) => held.length > 1),
    PROFILE: (mixed || kits) && profile,
    TOUCHY: mixed && touchy,
  }
  const reasons = MIXING_REASONS.filter((one) => applies[one])
  const weight = reasons.reduce((sum, one) => sum + WEIGHT[one], 0)
  return { level: levelOf(weight), reasons }
}

function levelOf(weight: number): MixingLevel {
  if (weight === 0) return 'none'
  if (weight <= 2) return 'low'
  return weight <= 4 ? 'some' : 'high'
}
