import { evaluate, fittedModules, speedLimits } from '../../judging/evaluate'
import {
  type Evaluation,
  type Machine,
  type Placement,
  type Settings,
  systemLimitGiB,
} from '../../things/model'

/** What the set-up screen, the system or a readout shows; null for what nobody has looked at. */
export interface ShownFigures {
  totalGiB: number | null
  /** GiB by slot, 0 for one shown empty; slots nobody looked at are left out. */
  slots: Readonly<Record<string, number>>
  /** The figure shown beside the rate: MT/s, or MHz where it is the clock. */
  rate: number | null
  /** Channels shown in use. */
  ways: number | null
  cl: number | null
  /** Clocks in MHz. */
  memoryClock: number | null
  controllerClock: number | null
  fabricClock: number | null
  eccActive: boolean | null
}

export const DIFFERENCES = [
  'MISSING_MODULE',
  'MISSING_MEMORY',
  'MORE_MEMORY',
  'SYSTEM_KEEPS_SOME',
  'MEMORY_RESERVED',
  'SLOT_EMPTY',
  'CHANNEL_GONE',
  'SLOT_OTHER',
  'CLOCK_SHOWN',
  'BASE_RATE',
  'STEP_LOWER',
  'RATE_HIGHER',
  'FEWER_CHANNELS',
  'UNEQUAL_CLOCKS',
  'CLOCKS_OPEN',
  'TIMING_LOOSER',
  'ECC_INACTIVE',
] as const
export type DifferenceCode = (typeof DIFFERENCES)[number]

export const CAUSES = [
  'NOT_SEATED',
  'MODULE_BAD',
  'SLOT_BAD',
  'WRONG_SLOT',
  'BOARD_LIMIT',
  'SOCKET',
  'GRAPHICS_SHARE',
  'REMAP_OFF',
  'BOOT_LIMIT',
  'SYSTEM_LIMIT',
  'READ_WRONG',
  'CLOCK_FOR_RATE',
  'PROFILE_OFF',
  'PROFILE_FELL_BACK',
  'LOAD',
  'FIRMWARE_CAP',
  'SLOWEST_MODULE',
  'HALF_RATE_CLOCK',
  'PLATFORM_OPEN',
  'FIRMWARE_LOOSENED',
  'ECC_OFF_IN_SETUP',
  'ECC_NOT_WIRED',
  'PLAN_NOT_FOLLOWED',
  'FIRMWARE_RAISES',
] as const
export type DifferenceCause = (typeof CAUSES)[number]

export const NEXT_STEPS = [
  'FIND_FAULT',
  'LOOK_AT_SLOTS',
  'CHECK_SOCKET',
  'CHECK_RESERVED',
  'FIND_PLATFORM',
  'NOTHING',
  'SWITCH_PROFILE_ON',
  'STEP_PROFILE_DOWN',
  'CHECK_SLOTS',
  'ACCEPT_OR_REPLAN',
  'LOOK_AGAIN',
  'CHECK_SETUP',
] as const
export type NextStep = (typeof NEXT_STEPS)[number]

export interface Difference {
  code: DifferenceCode
  /** No fault, only a figure that looks like one. */
  harmless: boolean
  slots: string[]
  expected: number | null
  seen: number | null
  /** The likeliest first. */
  causes: DifferenceCause[]
  next: NextStep
}

/** Of what is fitted, a system usually keeps back no more than this for graphics and itself: GiB, and a share. */
const KEPT_BACK_GIB = 2.5
const KEPT_BACK_SHARE = 0.15
/** Beside what graphics are set to take, a system keeps up to this much for itself, GiB. */
const KEPT_BESIDE_GIB = 0.75
/** Integrated graphics can be given up to this share in the setup. */
const GRAPHICS_MOST = 0.5

/** Capacities within so many GiB are the same. */
const SLACK_GIB = 0.25

/** How far a shown rate may lie from a nominal one, MT/s: readouts round. */
const RATE_SLACK = 8

/**
 * Everything in which what is seen differs from what this placement should show, the gravest first. `graphicsGiB` is
 * what graphics are set to take of the main memory.
 */
export function differences(
  machine: Machine,
  placement: Placement,
  settings: Settings,
  seen: ShownFigures,
  graphicsGiB = 0,
): Difference[] {
  const expected = evaluate({ machine, placement, settings })
  if (!expected.run) return []
  return [
    ...memory(machine, placement, expected, seen, graphicsGiB),
    ...slots(machine, placement, seen),
    ...rate(machine, placement, settings, expected, seen),
    ...channels(machine, expected, seen),
    ...clocks(machine, expected, seen),
    ...timing(expected, seen),
    ...ecc(machine, placement, seen),
  ]
}

function difference(
  code: DifferenceCode,
  expected: number | null,
  seen: number | null,
  causes: DifferenceCause[],
  next: NextStep,
  more: Partial<Difference> = {},
): Difference {
  return { code, harmless: false, slots: [], expected, seen, causes, next, ...more }
}

/**
 * Less than was fitted: where every filled slot is seen, something keeps it back; a slot that is not
 * seen leads to the fault finder by itself (`slots`); and before anybody has looked, that is what to do.
 */
function memory(
  machine: Machine,
  placement: Placement,
  { capacity }: Evaluation,
  { totalGiB, slots: shown }: ShownFigures,
  graphicsGiB: number,
): Difference[] {
  if (totalGiB === null) return []
  const { installedGiB } = capacity
  const short = installedGiB - totalGiB
  const pair = [installedGiB, totalGiB] as const
  if (short < -SLACK_GIB) {
    return [difference('MORE_MEMORY', ...pair, ['PLAN_NOT_FOLLOWED', 'READ_WRONG'], 'CHECK_SLOTS')]
  }
  if (short < SLACK_GIB) return []
  const byPlan = short - graphicsGiB
  if (graphicsGiB > 0 && byPlan > -SLACK_GIB && byPlan < KEPT_BESIDE_GIB) {
    return [
      difference('SYSTEM_KEEPS_SOME', ...pair, ['GRAPHICS_SHARE'], 'NOTHING', { harmless: true }),
    ]
  }
  const osGiB = systemLimitGiB(machine)
  if (osGiB !== null && totalGiB <= osGiB && installedGiB > osGiB) {
    return [
      difference('SYSTEM_KEEPS_SOME', ...pair, ['SYSTEM_LIMIT'], 'NOTHING', { harmless: true }),
    ]
  }
  const filled = Object.entries(placement).flatMap(([slot, module]) =>
    module ? [{ slot, gib: module.capacityGiB }] : [],
  )
  const little = short <= Math.min(KEPT_BACK_GIB, installedGiB * KEPT_BACK_SHARE)
  const alike = filled.filter(({ gib }) => Math.abs(gib - short) < SLACK_GIB).map((one) => one.slot)
  const allSeen = filled.every(({ slot, gib }) => Math.abs((shown[slot] ?? 0) - gib) < SLACK_GIB)
  if (little && (allSeen || alike.length === 0)) {
    return [
      difference('SYSTEM_KEEPS_SOME', ...pair, ['GRAPHICS_SHARE'], 'NOTHING', { harmless: true }),
    ]
  }
  const graphics: DifferenceCause[] =
    short <= installedGiB * GRAPHICS_MOST ? ['GRAPHICS_SHARE'] : []
  if (allSeen) {
    const causes = keptBackBy(totalGiB, installedGiB)
    return [difference('MEMORY_RESERVED', ...pair, causes, 'CHECK_RESERVED')]
  }
  const empty = filled.filter(({ slot }) => shown[slot] === 0).map(({ slot }) => slot)
  const next: NextStep = empty.length > 0 ? 'FIND_FAULT' : 'LOOK_AT_SLOTS'
  const faults: DifferenceCause[] = ['NOT_SEATED', 'MODULE_BAD', 'SLOT_BAD', 'BOARD_LIMIT']
  if (alike.length > 0) {
    const where = empty.length > 0 ? empty : alike
    const causes: DifferenceCause[] = [...faults, ...graphics]
    return [difference('MISSING_MODULE', ...pair, causes, next, { slots: where })]
  }
  const causes: DifferenceCause[] = [...graphics, ...faults, 'READ_WRONG']
  return [difference('MISSING_MEMORY', ...pair, causes, next, { slots: empty })]
}

/** A 32-bit system, or a board that does not remap, leaves so much to be used, GiB. */
const BELOW_FOUR = { low: 2.4, high: 3.75 }
/** A limit in the boot options is a whole figure, which firmware takes a little off. */
const LITTLE_OFF = 0.15
/** What graphics is given in the setup, GiB. */
const SHARES = [0.5, 1, 2, 3, 4, 6, 8, 12, 16]

/** What keeps memory back of which every slot is seen, the likeliest first by how much is left and how much is gone. */
function keptBackBy(totalGiB: number, installedGiB: number): DifferenceCause[] {
  const short = installedGiB - totalGiB
  const below = totalGiB >= BELOW_FOUR.low && totalGiB <= BELOW_FOUR.high
  const round = totalGiB >= 1 && Math.ceil(totalGiB) - totalGiB <= LITTLE_OFF
  const shared =
    short <= installedGiB * GRAPHICS_MOST &&
    SHARES.some((share) => short >= share - SLACK_GIB && short <= share + 2 * SLACK_GIB)
  const fits: [DifferenceCause, boolean][] = [
    ['SYSTEM_LIMIT', below],
    ['REMAP_OFF', below],
    ['GRAPHICS_SHARE', shared],
    ['BOOT_LIMIT', round],
  ]
  const named = fits.filter(([, does]) => does).map(([cause]) => cause)
  const others: DifferenceCause[] = ['BOOT_LIMIT', 'REMAP_OFF', 'SYSTEM_LIMIT']
  return [...named, ...others.filter((cause) => !named.includes(cause))]
}

function slots(machine: Machine, placement: Placement, seen: ShownFigures): Difference[] {
  const shown = seen.slots
  const gone = channelsGone(machine, placement, shown)
  const lost = new Set(gone.flatMap(({ slots: where }) => where))
  const single = Object.entries(shown).flatMap(([slot, gib]): Difference[] => {
    const wanted = placement[slot]?.capacityGiB ?? 0
    if (lost.has(slot) || Math.abs(wanted - gib) < SLACK_GIB) return []
    if (gib === 0) {
      const socket: DifferenceCause[] = hasSocket(machine) ? ['SOCKET'] : []
      const causes: DifferenceCause[] = ['NOT_SEATED', 'MODULE_BAD', ...socket, 'SLOT_BAD']
      return [difference('SLOT_EMPTY', wanted, 0, causes, 'FIND_FAULT', { slots: [slot] })]
    }
    const causes: DifferenceCause[] = ['WRONG_SLOT', 'PLAN_NOT_FOLLOWED', 'READ_WRONG']
    return [difference('SLOT_OTHER', wanted, gib, causes, 'CHECK_SLOTS', { slots: [slot] })]
  })
  return [...gone, ...single]
}

/** Whether the processor sits in a socket, whose pins carry the channels. */
const hasSocket = ({ kind }: Machine) => kind === 'desktop' || kind === 'workstation'

/** Channels of which several filled slots are shown and all of them empty, while another channel is seen. */
function channelsGone(
  machine: Machine,
  placement: Placement,
  shown: ShownFigures['slots'],
): Difference[] {
  if (!hasSocket(machine)) return []
  const filled = machine.slots.filter(({ id }) => placement[id] && shown[id] !== undefined)
  if (filled.every(({ id }) => shown[id] === 0)) return []
  return machine.channels.flatMap((channel): Difference[] => {
    const own = filled.filter((slot) => slot.channel === channel).map(({ id }) => id)
    if (own.length < 2 || own.some((id) => shown[id] !== 0)) return []
    const wanted = own.reduce((sum, id) => sum + (placement[id]?.capacityGiB ?? 0), 0)
    const causes: DifferenceCause[] = ['SOCKET', 'NOT_SEATED', 'SLOT_BAD']
    return [difference('CHANNEL_GONE', wanted, 0, causes, 'CHECK_SOCKET', { slots: own })]
  })
}

const near = (a: number, b: number) => Math.abs(a - b) <= RATE_SLACK

function rate(
  machine: Machine,
  placement: Placement,
  settings: Settings,
  { run }: Evaluation,
  { rate: shown }: ShownFigures,
): Difference[] {
  if (shown === null || !run) return []
  const wanted = run.dataRate
  const plain = evaluate({ machine, placement, settings: { profile: false } }).run
  const base = settings.profile && plain && run.profile ? plain.dataRate : null
  if (near(shown, wanted)) return []
  const say = (
    code: DifferenceCode,
    causes: DifferenceCause[],
    next: NextStep,
    harmless = false,
  ) => [difference(code, wanted, shown, causes, next, { harmless })]
  if (near(shown * 2, wanted)) return say('CLOCK_SHOWN', ['CLOCK_FOR_RATE'], 'NOTHING', true)
  if (base !== null && (near(shown, base) || near(shown * 2, base))) {
    return say('BASE_RATE', ['PROFILE_OFF', 'PROFILE_FELL_BACK'], 'SWITCH_PROFILE_ON')
  }
  if (shown > wanted + RATE_SLACK) {
    // Some firmware runs memory above the rating by itself.
    return settings.profile
      ? say('RATE_HIGHER', ['PLAN_NOT_FOLLOWED', 'READ_WRONG'], 'LOOK_AGAIN')
      : say(
          'RATE_HIGHER',
          ['FIRMWARE_RAISES', 'PLAN_NOT_FOLLOWED', 'READ_WRONG'],
          'ACCEPT_OR_REPLAN',
        )
  }
  const { modules, controller, firmware } = speedLimits(
    machine,
    fittedModules(machine, placement),
    'standard',
  )
  // What lies nearest above what is seen is the likeliest to hold it there.
  const caps: [DifferenceCause, number][] = [
    ['LOAD', controller],
    ['FIRMWARE_CAP', firmware ?? Infinity],
    ['SLOWEST_MODULE', modules],
  ]
  const causes = caps
    .sort((a, b) => Math.abs(a[1] - shown) - Math.abs(b[1] - shown))
    .map(([cause]) => cause)
  return say('STEP_LOWER', causes, 'CHECK_SETUP')
}

function channels(machine: Machine, { zones }: Evaluation, { ways }: ShownFigures): Difference[] {
  const wanted = zones[0]?.ways ?? 1
  if (ways === null || ways >= wanted || machine.channels.length < 2) return []
  const socket: DifferenceCause[] = hasSocket(machine) ? ['SOCKET'] : []
  const causes: DifferenceCause[] = [
    'NOT_SEATED',
    'WRONG_SLOT',
    'MODULE_BAD',
    ...socket,
    'SLOT_BAD',
    'READ_WRONG',
  ]
  return [difference('FEWER_CHANNELS', wanted, ways, causes, 'CHECK_SLOTS')]
}

/** Clocks within so many MHz are the same: they wander. */
const CLOCK_SLACK = 12

/** How the controller and the fabric should run beside the memory, as shares of its clock; null where that is not known, or they are apart. */
export function clocksExpected({
  clocks: kind,
  syncCeiling,
  generation,
}: Pick<Machine, 'clocks' | 'syncCeiling' | 'generation'>): {
  controller: number | null
  fabric: number | null
} {
  if (kind === 'controller-half') return { controller: 0.5, fabric: null }
  if (kind === 'fabric-with-memory') return { controller: 1, fabric: 1 }
  if (kind === 'fabric-apart') return { controller: 1, fabric: null }
  // A ceiling says that the controller follows; that the fabric does too is the older generation's.
  if (syncCeiling === null) return { controller: null, fabric: null }
  return { controller: 1, fabric: generation === 'DDR4' ? 1 : null }
}

function clocks(machine: Machine, { run }: Evaluation, seen: ShownFigures): Difference[] {
  const { memoryClock, controllerClock, fabricClock } = seen
  if (memoryClock === null || run?.clocking === 'half-rate') return []
  const shares = clocksExpected(machine)
  const apart = (clock: number | null, share: number | null) =>
    clock !== null && share !== null && Math.abs(clock - memoryClock * share) > CLOCK_SLACK
  const wrong = apart(controllerClock, shares.controller)
    ? { clock: controllerClock, wanted: memoryClock * (shares.controller ?? 1) }
    : apart(fabricClock, shares.fabric)
      ? { clock: fabricClock, wanted: memoryClock }
      : null
  if (wrong) {
    const causes: DifferenceCause[] = ['HALF_RATE_CLOCK', 'READ_WRONG']
    return [difference('UNEQUAL_CLOCKS', wrong.wanted, wrong.clock, causes, 'CHECK_SETUP')]
  }
  if (shares.controller === null && apart(controllerClock, 1)) {
    const open: DifferenceCause[] = ['PLATFORM_OPEN']
    const about = [memoryClock, controllerClock] as const
    return [difference('CLOCKS_OPEN', ...about, open, 'FIND_PLATFORM', { harmless: true })]
  }
  return []
}

function timing({ run }: Evaluation, { cl }: ShownFigures): Difference[] {
  if (cl === null || !run || cl <= run.cl) return []
  const causes: DifferenceCause[] = ['FIRMWARE_LOOSENED', 'PROFILE_FELL_BACK', 'SLOWEST_MODULE']
  return [difference('TIMING_LOOSER', run.cl, cl, causes, 'CHECK_SETUP')]
}

function ecc(machine: Machine, placement: Placement, { eccActive }: ShownFigures): Difference[] {
  const fitted = fittedModules(machine, placement)
  const could = fitted.length > 0 && fitted.every(({ module }) => module.ecc)
  if (eccActive !== false || !could || machine.ecc === 'ignored' || machine.ecc === 'refused') {
    return []
  }
  return [difference('ECC_INACTIVE', 1, 0, ['ECC_OFF_IN_SETUP', 'ECC_NOT_WIRED'], 'CHECK_SETUP')]
}
