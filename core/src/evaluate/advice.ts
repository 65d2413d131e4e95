import type { Finding, FindingCode, Kit, Machine, Run, Severity } from '../model'
import { channelCapacities, distinct, type Fitted, slotsOf, totalGiB } from './fitted'
import type { Span } from './layout'
import { gates, hasProfile, profilePossible, topRate } from './rate'

/** What is known once the machine starts, before advice is drawn from it. */
export interface Outcome {
  machine: Machine
  fitted: readonly Fitted[]
  layout: readonly Span[]
  run: Run
  profileAsked: boolean
  /** A data rate was set by hand. */
  setByHand: boolean
  /** A timing set by hand is below what follows from the modules. */
  tighter: boolean
  /** The lowest of the modules' top rates, MT/s. */
  commonRate: number
  /** Values were set by hand where the firmware has no such settings. */
  manualBlocked: boolean
}

/** A finding's slots where it applies, null where it does not. */
type Rule = (outcome: Outcome) => string[] | null

const always = (applies: boolean): string[] | null => (applies ? [] : null)

const RISKS: [FindingCode, Rule][] = [
  [
    'SINGLE_CHANNEL',
    ({ machine, layout }) => always(machine.channels.length > 1 && layout[0]?.ways === 1),
  ],
  [
    'CHANNELS_UNUSED',
    ({ machine, layout }) => {
      const ways = layout[0]?.ways ?? 0
      return always(ways > 1 && ways < machine.channels.length)
    },
  ],
  ['UNEVEN_CHANNELS', ({ fitted }) => always(distinct(channelCapacities(fitted).values()) > 1)],
  ['SLOT_ORDER', outOfOrder],
  [
    'OS_LIMIT',
    ({ machine, fitted }) => always(totalGiB(fitted) > (machine.limits.osGiB ?? Infinity)),
  ],
  [
    'ECC_MIXED',
    ({ fitted }) => {
      const plain = fitted.filter(({ module }) => !module.ecc)
      return plain.length > 0 && plain.length < fitted.length ? slotsOf(plain) : null
    },
  ],
  [
    'ABOVE_RATING',
    ({ run, setByHand }) =>
      always((run.profile || setByHand) && run.dataRate > run.controllerRating),
  ],
  ['ABOVE_MODULES', ({ run, commonRate }) => always(run.dataRate > commonRate)],
  ['TIGHTER_THAN_RATED', ({ tighter }) => always(tighter)],
  ['HALF_RATE_CLOCK', ({ run }) => always(run.clocking === 'half-rate')],
  [
    'MIXED_MODULES',
    ({ fitted }) => always(distinct(fitted.map(({ module }) => module.article)) > 1),
  ],
  ['KITS_COMBINED', ({ fitted }) => always(kits(fitted).size > 1)],
  [
    'KIT_CHANNELS',
    ({ machine, fitted }) => {
      const channels = machine.channels.length
      return kitSlots(
        fitted,
        (kit, held) => channels > 1 && held >= kit.size && kit.size % channels !== 0,
      )
    },
  ],
]

const NOTES: [FindingCode, Rule][] = [
  ['MANUAL_BLOCKED', ({ manualBlocked }) => always(manualBlocked)],
  [
    'PROFILE_OFF',
    ({ machine, fitted, run, profileAsked }) =>
      always(
        !profileAsked &&
          profilePossible(machine, fitted) &&
          gates(machine, fitted, 'profile').dataRate > run.dataRate,
      ),
  ],
  [
    'PROFILE_BLOCKED',
    ({ fitted, run, profileAsked }) =>
      profileAsked && !run.profile
        ? slotsOf(fitted.filter(({ module }) => !hasProfile(module)))
        : null,
  ],
  [
    'SPEED_UNUSED',
    ({ fitted, run }) => {
      const kind = run.profile ? 'profile' : 'standard'
      const faster = fitted.filter(({ module }) => topRate(module, kind) > run.dataRate)
      return faster.length > 0 ? slotsOf(faster) : null
    },
  ],
  [
    'ECC_INACTIVE',
    ({ machine, fitted }) =>
      always(machine.ecc === 'ignored' && fitted.every(({ module }) => module.ecc)),
  ],
  ['MIXED_RANKS', ({ fitted }) => always(distinct(fitted.map(({ module }) => module.ranks)) > 1)],
  [
    'CLOCK_BYPASSED',
    ({ machine, fitted }) => {
      const clocked = fitted.filter(({ module }) => module.buffering === 'clocked')
      const all = machine.buffering.includes('clocked') && clocked.length === fitted.length
      return clocked.length > 0 && !all ? slotsOf(clocked) : null
    },
  ],
  ['SLOT_ORDER_OPEN', ({ machine, fitted }) => always(isOrderOpen(machine, slotsOf(fitted)))],
  ['KIT_SPLIT', ({ fitted }) => kitSlots(fitted, (kit, held) => held < kit.size)],
]

/** Risks and notes of a placement the machine starts with. */
export function advice(outcome: Outcome): Finding[] {
  return [...apply(RISKS, 'risk', outcome), ...apply(NOTES, 'note', outcome)]
}

function apply(rules: [FindingCode, Rule][], severity: Severity, outcome: Outcome): Finding[] {
  return rules.flatMap(([code, rule]) => {
    const slots = rule(outcome)
    return slots ? [{ code, severity, slots }] : []
  })
}

/** Filled slots beyond the first k in the maker's order, where every slot has an order and k are filled. */
function outOfOrder({ machine, fitted }: Outcome): string[] | null {
  const orders = machine.slots.map((slot) => slot.order)
  if (orders.length === 0 || orders.includes(null)) return null
  const filled = new Set(slotsOf(fitted))
  const last = (orders as number[]).sort((a, b) => a - b)[filled.size - 1] ?? 0
  const late = machine.slots.filter((slot) => filled.has(slot.id) && (slot.order as number) > last)
  return late.length > 0 ? late.map((slot) => slot.id) : null
}

/** Whether it matters which slots are filled and the maker's order is not known: several to a channel, some of them empty. */
function isOrderOpen({ slots, channels }: Machine, filled: readonly string[]): boolean {
  const open = slots.some(({ order }) => order === null)
  return open && slots.length > channels.length && filled.length > 0 && filled.length < slots.length
}

function kits(fitted: readonly Fitted[]): Map<string, { kit: Kit; members: Fitted[] }> {
  const found = new Map<string, { kit: Kit; members: Fitted[] }>()
  for (const entry of fitted) {
    const kit = entry.module.kit
    if (!kit) continue
    const known = found.get(kit.id)
    if (known) known.members.push(entry)
    else found.set(kit.id, { kit, members: [entry] })
  }
  return found
}

function kitSlots(
  fitted: readonly Fitted[],
  applies: (kit: Kit, held: number) => boolean,
): string[] | null {
  const matching = [...kits(fitted).values()].filter(({ kit, members }) =>
    applies(kit, members.length),
  )
  return matching.length > 0 ? matching.flatMap(({ members }) => slotsOf(members)) : null
}
