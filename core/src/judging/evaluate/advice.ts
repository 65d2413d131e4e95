import {
  type Finding,
  type FindingCode,
  isRegistered,
  type Kit,
  type Machine,
  type Module,
  type Run,
  type Severity,
  systemLimitGiB,
} from '../../things/model'
import { differ, type Fitted, slotsOf, totalGiB } from './fitted'
import type { Span } from './layout'
import { hasHalfGroups } from './organisation'
import { hasProfile, profilePossible, speedLimits, topRate } from './rate'
import { isHighDensity } from './stops'

/** What is known once the machine starts, before advice is drawn from it. */
export interface StartedMachine {
  machine: Machine
  fitted: readonly Fitted[]
  layout: readonly Span[]
  /** GiB on each populated channel. */
  capacities: ReadonlyMap<string, number>
  kits: Kits
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
type Rule = (outcome: StartedMachine) => string[] | null

const always = (applies: boolean): string[] | null => (applies ? [] : null)

/** Platforms of eight channels and more allow certain counts only: these are often none of them. */
const EIGHT = 8
const ODD_COUNTS: readonly number[] = [3, 5, 7]

/** A bare module's height, and what a heat spreader adds to it at most, as a rule, mm. */
const STANDARD_MM = 31.25
const SPREADER_MM = 25

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
  ['UNEVEN_CHANNELS', ({ capacities }) => always(areUneven(capacities))],
  ['SLOT_ORDER', outOfOrder],
  [
    'OS_LIMIT',
    ({ machine, fitted }) => always(totalGiB(fitted) > (systemLimitGiB(machine) ?? Infinity)),
  ],
  [
    'ECC_MIXED',
    ({ fitted }) => {
      if (!differ(fitted, eccOf)) return null
      return slotsOf(fitted.filter(({ module }) => !module.ecc))
    },
  ],
  [
    'WIDTHS_MIXED',
    ({ fitted }) => {
      const registered = fitted.filter(({ module }) => isRegistered(module.buffering))
      return differ(registered, widthOf)
        ? slotsOf(registered.filter(({ module }) => module.deviceWidth === 4))
        : null
    },
  ],
  [
    'X4_UNBUFFERED',
    ({ machine, fitted }) =>
      machine.refusesX4 !== undefined || machine.kind === 'workstation'
        ? null
        : slotsWhere(fitted, isHighDensity),
  ],
  [
    'CHANNEL_COUNT_ODD',
    ({ machine, capacities }) =>
      always(machine.channels.length >= EIGHT && ODD_COUNTS.includes(capacities.size)),
  ],
  [
    'TOO_TALL',
    ({ machine: { clearanceMm }, fitted }) =>
      clearanceMm === undefined
        ? null
        : slotsWhere(fitted, ({ heightMm }) => (heightMm ?? 0) > clearanceMm),
  ],
  [
    'ABOVE_RATING',
    ({ run, setByHand }) =>
      always((run.profile || setByHand) && run.dataRate > run.controllerRating),
  ],
  ['ABOVE_MODULES', ({ run, commonRate }) => always(run.dataRate > commonRate)],
  ['TIGHTER_THAN_RATED', ({ tighter }) => always(tighter)],
  ['HALF_RATE_CLOCK', ({ run }) => always(run.clocking === 'half-rate')],
  ['MIXED_MODULES', ({ fitted }) => always(differ(fitted, articleOf))],
  ['KITS_COMBINED', ({ kits }) => always(kits.size > 1)],
  [
    'KIT_CHANNELS',
    ({ machine, kits }) => {
      const channels = machine.channels.length
      return kitSlots(
        kits,
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
          speedLimits(machine, fitted, 'profile').dataRate > run.dataRate,
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
      return slotsWhere(fitted, (module) => topRate(module, kind) > run.dataRate)
    },
  ],
  [
    'ECC_INACTIVE',
    ({ machine, fitted }) =>
      always(machine.ecc === 'ignored' && fitted.every(({ module }) => module.ecc)),
  ],
  [
    'HEIGHT_OPEN',
    ({ machine, fitted }) =>
      machine.clearanceMm === undefined
        ? null
        : slotsWhere(
            fitted,
            (module) =>
              module.heightMm === undefined &&
              hasProfile(module) &&
              STANDARD_MM > (machine.clearanceMm as number) - SPREADER_MM,
          ),
  ],
  ['HALF_BANK_GROUPS', ({ fitted }) => slotsWhere(fitted, hasHalfGroups)],
  ['MIXED_RANKS', ({ fitted }) => always(differ(fitted, ranksOf))],
  [
    'CLOCK_BYPASSED',
    ({ machine, fitted }) => {
      const all =
        machine.buffering.includes('clocked') && fitted.every(({ module }) => isClocked(module))
      return all ? null : slotsWhere(fitted, isClocked)
    },
  ],
  ['SLOT_ORDER_OPEN', ({ machine, fitted }) => always(isOrderOpen(machine, slotsOf(fitted)))],
  [
    'KIT_SHARES_CHANNELS',
    ({ machine, kits }) => {
      const channels = machine.channels.length
      return kitSlots(
        kits,
        (kit, held) =>
          channels > 1 && held >= kit.size && kit.size > channels && kit.size % channels === 0,
      )
    },
  ],
  ['KIT_SPLIT', ({ kits }) => kitSlots(kits, (kit, held) => held < kit.size)],
]

/** Risks and notes of a placement the machine starts with. */
export function advice(outcome: Omit<StartedMachine, 'kits'>): Finding[] {
  const whole: StartedMachine = { ...outcome, kits: kitsIn(outcome.fitted) }
  const found: Finding[] = []
  apply(RISKS, 'risk', whole, found)
  apply(NOTES, 'note', whole, found)
  return found
}

function apply(
  rules: readonly [FindingCode, Rule][],
  severity: Severity,
  outcome: StartedMachine,
  found: Finding[],
): void {
  for (const [code, rule] of rules) {
    const slots = rule(outcome)
    if (slots) found.push({ code, severity, slots })
  }
}

const articleOf = ({ article }: Module) => article
const ranksOf = ({ ranks }: Module) => ranks
const widthOf = ({ deviceWidth }: Module) => deviceWidth
const eccOf = ({ ecc }: Module) => ecc
const isClocked = ({ buffering }: Module) => buffering === 'clocked'

/** The slots whose module is so; null where none is. Soldered banks count, but have no slot. */
function slotsWhere(
  fitted: readonly Fitted[],
  applies: (module: Module) => boolean,
): string[] | null {
  let slots: string[] | null = null
  for (const { slot, module } of fitted) {
    if (!applies(module)) continue
    slots ??= []
    if (slot !== null) slots.push(slot)
  }
  return slots
}

function areUneven(capacities: ReadonlyMap<string, number>): boolean {
  let first: number | null = null
  for (const held of capacities.values()) {
    first ??= held
    if (held !== first) return true
  }
  return false
}

/** Filled slots beyond the first k in the maker's order, where every slot has an order and k are filled. */
function outOfOrder({ machine, fitted }: StartedMachine): string[] | null {
  const { slots } = machine
  if (slots.length === 0 || slots.some(({ order }) => order === null)) return null
  const filled = slots.filter(({ id }) => fitted.some(({ slot }) => slot === id))
  if (filled.length === slots.length) return null
  // A slot is late where at least as many come before it as are filled.
  const late = filled.filter(
    ({ order }) =>
      slots.filter((other) => (other.order as number) < (order as number)).length >= filled.length,
  )
  return late.length > 0 ? late.map(({ id }) => id) : null
}

/** Whether it matters which slots are filled and the maker's order is not known: several to a channel, some of them empty. */
function isOrderOpen({ slots, channels }: Machine, filled: readonly string[]): boolean {
  const open = slots.some(({ order }) => order === null)
  // With one slot a channel the order matters where there are many channels, of which some come first.
  const matters = slots.length > channels.length || channels.length >= EIGHT
  return open && matters && filled.length > 0 && filled.length < slots.length
}

type Kits = ReadonlyMap<string, { kit: Kit; members: Fitted[] }>

const NO_KITS: Kits = new Map()

function kitsIn(fitted: readonly Fitted[]): Kits {
  let found: Map<string, { kit: Kit; members: Fitted[] }> | null = null
  for (const entry of fitted) {
    const { kit } = entry.module
    if (!kit) continue
    found ??= new Map()
    const known = found.get(kit.id)
    if (known) known.members.push(entry)
    else found.set(kit.id, { kit, members: [entry] })
  }
  return found ?? NO_KITS
}

function kitSlots(kits: Kits, applies: (kit: Kit, held: number) => boolean): string[] | null {
  if (kits.size === 0) return null
  const matching = [...kits.values()].filter(({ kit, members }) => applies(kit, members.length))
  return matching.length > 0 ? matching.flatMap(({ members }) => slotsOf(members)) : null
}
