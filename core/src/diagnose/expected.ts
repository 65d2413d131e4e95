import { evaluate, fittedModules, gates } from '../evaluate'
import type { Evaluation, Machine, Placement, Settings } from '../model'

/** What the set-up screen, the system or a readout shows; null for what nobody has looked at. */
export interface Seen {
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
  'SLOT_EMPTY',
  'SLOT_OTHER',
  'CLOCK_SHOWN',
  'BASE_RATE',
  'STEP_LOWER',
  'RATE_HIGHER',
  'FEWER_CHANNELS',
  'UNEQUAL_CLOCKS',
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
  'GRAPHICS_SHARE',
  'SYSTEM_LIMIT',
  'READ_WRONG',
  'CLOCK_FOR_RATE',
  'PROFILE_OFF',
  'PROFILE_FELL_BACK',
  'LOAD',
  'FIRMWARE_CAP',
  'SLOWEST_MODULE',
  'HALF_RATE_CLOCK',
  'FIRMWARE_LOOSENED',
  'ECC_OFF_IN_SETUP',
  'ECC_NOT_WIRED',
  'PLAN_NOT_FOLLOWED',
] as const
export type Cause = (typeof CAUSES)[number]

export const NEXT_STEPS = [
  'FIND_FAULT',
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
  causes: Cause[]
  next: NextStep
}

/** Of what is fitted, a system may keep back so much for graphics and itself: GiB, and a share. */
const KEPT_BACK_GIB = 2.5
const KEPT_BACK_SHARE = 0.15

/** How far a shown rate may lie from a nominal one, MT/s: readouts round. */
const RATE_SLACK = 8

/** Everything in which what is seen differs from what this placement should show, the gravest first. */
export function differences(
  machine: Machine,
  placement: Placement,
  settings: Settings,
  seen: Seen,
): Difference[] {
  const expected = evaluate({ machine, placement, settings })
  if (!expected.run) return []
  return [
    ...memory(machine, placement, expected, seen),
    ...slots(placement, seen),
    ...rate(machine, placement, settings, expected, seen),
    ...channels(machine, expected, seen),
    ...clocks(expected, seen),
    ...timing(expected, seen),
    ...ecc(machine, placement, seen),
  ]
}

function difference(
  code: DifferenceCode,
  expected: number | null,
  seen: number | null,
  causes: Cause[],
  next: NextStep,
  more: Partial<Difference> = {},
): Difference {
  return { code, harmless: false, slots: [], expected, seen, causes, next, ...more }
}

function memory(
  machine: Machine,
  placement: Placement,
  { capacity }: Evaluation,
  { totalGiB }: Seen,
): Difference[] {
  if (totalGiB === null) return []
  const { installedGiB } = capacity
  const short = installedGiB - totalGiB
  const pair = [installedGiB, totalGiB] as const
  if (short < -0.25) {
    return [difference('MORE_MEMORY', ...pair, ['PLAN_NOT_FOLLOWED', 'READ_WRONG'], 'CHECK_SLOTS')]
  }
  const placed = Object.entries(placement).filter(([, module]) => module !== null)
  const alike = placed.filter(([, module]) => Math.abs((module?.capacityGiB ?? 0) - short) < 0.25)
  if (alike.length > 0) {
    return [
      difference(
        'MISSING_MODULE',
        ...pair,
        ['NOT_SEATED', 'MODULE_BAD', 'SLOT_BAD', 'BOARD_LIMIT'],
        'FIND_FAULT',
        { slots: alike.map(([slot]) => slot) },
      ),
    ]
  }
  if (short < 0.25) return []
  const { osGiB } = machine.limits
  if (osGiB !== null && totalGiB <= osGiB && installedGiB > osGiB) {
    return [
      difference('SYSTEM_KEEPS_SOME', ...pair, ['SYSTEM_LIMIT'], 'NOTHING', { harmless: true }),
    ]
  }
  if (short <= Math.min(KEPT_BACK_GIB, installedGiB * KEPT_BACK_SHARE)) {
    return [
      difference('SYSTEM_KEEPS_SOME', ...pair, ['GRAPHICS_SHARE'], 'NOTHING', { harmless: true }),
    ]
  }
  const causes: Cause[] = ['NOT_SEATED', 'BOARD_LIMIT', 'MODULE_BAD', 'SLOT_BAD', 'READ_WRONG']
  return [difference('MISSING_MEMORY', ...pair, causes, 'FIND_FAULT')]
}

function slots(placement: Placement, { slots: shown }: Seen): Difference[] {
  return Object.entries(shown).flatMap(([slot, gib]): Difference[] => {
    const wanted = placement[slot]?.capacityGiB ?? 0
    if (Math.abs(wanted - gib) < 0.25) return []
    if (gib === 0) {
      const causes: Cause[] = ['NOT_SEATED', 'MODULE_BAD', 'SLOT_BAD']
      return [difference('SLOT_EMPTY', wanted, 0, causes, 'FIND_FAULT', { slots: [slot] })]
    }
    const causes: Cause[] = ['WRONG_SLOT', 'PLAN_NOT_FOLLOWED', 'READ_WRONG']
    return [difference('SLOT_OTHER', wanted, gib, causes, 'CHECK_SLOTS', { slots: [slot] })]
  })
}

const near = (a: number, b: number) => Math.abs(a - b) <= RATE_SLACK

function rate(
  machine: Machine,
  placement: Placement,
  settings: Settings,
  { run }: Evaluation,
  { rate: shown }: Seen,
): Difference[] {
  if (shown === null || !run) return []
  const wanted = run.dataRate
  const plain = evaluate({ machine, placement, settings: { profile: false } }).run
  const base = settings.profile && plain && run.profile ? plain.dataRate : null
  if (near(shown, wanted)) return []
  const say = (code: DifferenceCode, causes: Cause[], next: NextStep, harmless = false) => [
    difference(code, wanted, shown, causes, next, { harmless }),
  ]
  if (near(shown * 2, wanted)) return say('CLOCK_SHOWN', ['CLOCK_FOR_RATE'], 'NOTHING', true)
  if (base !== null && (near(shown, base) || near(shown * 2, base))) {
    return say('BASE_RATE', ['PROFILE_OFF', 'PROFILE_FELL_BACK'], 'SWITCH_PROFILE_ON')
  }
  if (shown > wanted + RATE_SLACK) {
    return say('RATE_HIGHER', ['PLAN_NOT_FOLLOWED', 'READ_WRONG'], 'LOOK_AGAIN')
  }
  const { modules, controller, firmware } = gates(
    machine,
    fittedModules(machine, placement),
    'standard',
  )
  // What lies nearest above what is seen is the likeliest to hold it there.
  const caps: [Cause, number][] = [
    ['LOAD', controller],
    ['FIRMWARE_CAP', firmware ?? Infinity],
    ['SLOWEST_MODULE', modules],
  ]
  const causes = caps
    .sort((a, b) => Math.abs(a[1] - shown) - Math.abs(b[1] - shown))
    .map(([cause]) => cause)
  return say('STEP_LOWER', causes, 'CHECK_SETUP')
}

function channels(machine: Machine, { zones }: Evaluation, { ways }: Seen): Difference[] {
  const wanted = zones[0]?.ways ?? 1
  if (ways === null || ways >= wanted || machine.channels.length < 2) return []
  const causes: Cause[] = ['NOT_SEATED', 'WRONG_SLOT', 'MODULE_BAD', 'SLOT_BAD', 'READ_WRONG']
  return [difference('FEWER_CHANNELS', wanted, ways, causes, 'CHECK_SLOTS')]
}

/** Clocks within so many MHz are the same: they wander. */
const CLOCK_SLACK = 12

function clocks({ run }: Evaluation, seen: Seen): Difference[] {
  const { memoryClock, controllerClock, fabricClock } = seen
  if (memoryClock === null || run?.clocking === 'half-rate') return []
  const other = [controllerClock, fabricClock].find(
    (clock) => clock !== null && Math.abs(clock - memoryClock) > CLOCK_SLACK,
  )
  if (other === undefined || other === null) return []
  const causes: Cause[] = ['HALF_RATE_CLOCK', 'READ_WRONG']
  return [difference('UNEQUAL_CLOCKS', memoryClock, other, causes, 'CHECK_SETUP')]
}

function timing({ run }: Evaluation, { cl }: Seen): Difference[] {
  if (cl === null || !run || cl <= run.cl) return []
  const causes: Cause[] = ['FIRMWARE_LOOSENED', 'PROFILE_FELL_BACK', 'SLOWEST_MODULE']
  return [difference('TIMING_LOOSER', run.cl, cl, causes, 'CHECK_SETUP')]
}

function ecc(machine: Machine, placement: Placement, { eccActive }: Seen): Difference[] {
  const fitted = fittedModules(machine, placement)
  const could = fitted.length > 0 && fitted.every(({ module }) => module.ecc)
  if (eccActive !== false || !could || machine.ecc === 'ignored' || machine.ecc === 'refused') {
    return []
  }
  return [difference('ECC_INACTIVE', 1, 0, ['ECC_OFF_IN_SETUP', 'ECC_NOT_WIRED'], 'CHECK_SETUP')]
}
