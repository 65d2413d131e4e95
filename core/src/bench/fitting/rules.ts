import type { BenchState, SafetyCondition } from './condition'
import type { Setup } from './setup'
import type { FitCode } from './step'

/** Conditions of the machine before a step, in the order they are reached, and the machine after it. */
export interface StepRule {
  needs: (setup: Setup) => readonly SafetyCondition[]
  leaves: (state: BenchState, setup: Setup) => BenchState
}

const CUT = ['off', 'unplugged'] as const
/** Nothing in the machine has power, and the hands carry no charge. */
const DEAD = [...CUT, 'batteryOff', 'drained', 'grounded'] as const
/** Hands on modules, slots or the board. */
const ON_BOARD = [...DEAD, 'lying', 'open'] as const
const STARTABLE = ['off', 'seated', 'startable', 'unstrapped', 'standing', 'powered'] as const

const rule = (
  needs: readonly SafetyCondition[],
  leaves: StepRule['leaves'] = (state) => state,
): StepRule => ({ needs: () => needs, leaves })

/** Read or asked, whatever the machine does. */
const SAID = rule([])

const deeper = (state: BenchState): BenchState => ({ ...state, opened: state.opened + 1 })
const shallower = (state: BenchState): BenchState => ({ ...state, opened: state.opened - 1 })

/** A battery whose plug lies beneath the cover is cut on the way in; any other before the first screw. */
const OUTER_OFF: StepRule = {
  needs: ({ battery }) => (battery === 'plug' ? [...CUT, 'grounded', 'lying'] : [...DEAD, 'lying']),
  leaves: deeper,
}
const INNER_OFF = rule([...DEAD, 'lying'], deeper)
const OUTER_ON = rule([...CUT, 'lying'], shallower)
const INNER_ON = rule([...DEAD, 'lying'], shallower)

const MOVED = rule(ON_BOARD, (state) => ({ ...state, seated: false, tested: false }))
/** Done in the setup: the memory then runs otherwise, and no test has seen it so. */
const SET = rule(['running'], (state) => ({ ...state, inSystem: false, tested: false }))
const STARTED = rule(STARTABLE, (state) => ({
  ...state,
  running: true,
  inSystem: false,
  starts: true,
}))
const TESTED = rule(['running', 'testable'], (state) => ({
  ...state,
  tested: true,
  inSystem: state.inSystem && state.riskAgreed,
}))
const IN_SYSTEM = rule(['inSystem'])

/** By step: its needs, and the machine after it. The compiler asks for those of a new step. */
export const RULES: Record<FitCode, StepRule> = {
  CAUTION_MAKER: SAID,
  CAUTION_BACKUP: SAID,
  CAUTION_KEY: SAID,
  CAUTION_SWOLLEN: SAID,
  CAUTION_BATTERY: SAID,
  CAUTION_MAINS: SAID,
  CAUTION_STANDBY: SAID,
  CAUTION_COOLER: SAID,
  CAUTION_SURFACE: SAID,
  CAUTION_CARD: SAID,
  CAUTION_HATCH: SAID,
  CAUTION_NONVOLATILE: SAID,
  CAUTION_DISPLAY: SAID,
  CAUTION_SCREWED: SAID,
  CAUTION_MODEL: SAID,
  BACKUP: SAID,
  KEY_AT_HAND: SAID,
  ERRORS_BEFORE: IN_SYSTEM,
  ENCRYPTION_SUSPENDED: IN_SYSTEM,
  SETUP_NOTED: rule(['running'], (state) => ({ ...state, inSystem: false })),
  FIRMWARE_UPDATE: rule(['running'], (state) => ({ ...state, inSystem: false, restored: false })),
  PROFILE_OFF: SET,
  PROFILE_ON: SET,
  SET_BY_HAND: SET,
  GRAPHICS_SET: SET,
  SETUP_RESTORED: rule(['running'], (state) => ({ ...state, inSystem: false, restored: true })),
  ERASE_NONVOLATILE: SAID,
  CHARGE_LOW: rule(['running']),
  SHUT_DOWN: rule(['running'], (state) => ({ ...state, running: false, inSystem: false })),
  FORCE_OFF: rule(['running'], (state) => ({ ...state, running: false, inSystem: false })),
  UNPLUG: rule(['off'], (state) => ({ ...state, plugged: false })),
  PACK_OUT: rule(CUT, (state) => ({ ...state, battery: 'off' })),
  DISABLE_BATTERY: rule(CUT, (state) => ({ ...state, battery: 'off' })),
  CUT_BATTERY: rule(CUT, (state) => ({ ...state, battery: 'off' })),
  LAY_DOWN: rule(CUT, (state) => ({ ...state, lying: true })),
  STRAP_ON: rule(CUT, (state) => ({ ...state, grounded: 'strap' })),
  TOUCH_METAL: rule(CUT, (state) => ({ ...state, grounded: 'touch' })),
  SIDE_OFF: OUTER_OFF,
  TOP_OFF: OUTER_OFF,
  SCREWS_OUT: OUTER_OFF,
  COVER_OFF: OUTER_OFF,
  HATCH_OFF: OUTER_OFF,
  DISPLAY_LOOSE: OUTER_OFF,
  DISPLAY_OFF: OUTER_OFF,
  BATTERY_OFF: {
    needs: OUTER_OFF.needs,
    leaves: (state) => ({ ...deeper(state), battery: 'off' }),
  },
  SHROUD_OUT: INNER_OFF,
  CAGE_OUT: INNER_OFF,
  PART_OFF: INNER_OFF,
  CARD_OUT: INNER_OFF,
  COOLER_OFF: INNER_OFF,
  DRAIN: rule([...CUT, 'batteryOff'], (state) => ({ ...state, drained: true })),
  DRIVE_OUT: rule(ON_BOARD, (state) => ({ ...state, driveOut: true })),
  DRIVE_IN: rule(ON_BOARD, (state) => ({ ...state, driveOut: false })),
  TAKE_OUT: rule(ON_BOARD, (state) => ({ ...state, tested: false })),
  LATCHES_OPEN: rule(ON_BOARD),
  PUT_IN: MOVED,
  RESEAT: MOVED,
  CLEAN_CONTACTS: MOVED,
  CONNECTORS: rule(ON_BOARD),
  SEATED: rule(CUT, (state) => ({ ...state, seated: true })),
  CLEAR_SETUP: rule(ON_BOARD, (state) => ({ ...state, restored: false, tested: false })),
  COOLER_ON: INNER_ON,
  CARD_IN: INNER_ON,
  PART_ON: INNER_ON,
  CAGE_IN: INNER_ON,
  SHROUD_IN: INNER_ON,
  BATTERY_ON: rule([...CUT, 'seated'], (state) => ({
    ...shallower(state),
    battery: 'live',
    drained: false,
  })),
  DISPLAY_SET: rule([...CUT, 'seated'], shallower),
  DISPLAY_ON: OUTER_ON,
  HATCH_ON: OUTER_ON,
  COVER_ON: OUTER_ON,
  SCREWS_IN: OUTER_ON,
  TOP_ON: OUTER_ON,
  SIDE_ON: OUTER_ON,
  PACK_IN: rule([...CUT, 'closed', 'unstrapped'], (state) => ({
    ...state,
    battery: 'live',
    drained: false,
  })),
  STRAP_OFF: rule(CUT, (state) => ({ ...state, grounded: null })),
  STAND_UP: rule(CUT, (state) => ({ ...state, lying: false })),
  PLUG_IN: rule(['seated', 'startable', 'unstrapped', 'standing'], (state, { battery }) => ({
    ...state,
    plugged: true,
    // The charger switches a battery that was disabled in the setup on again.
    battery: battery === 'setup' ? 'live' : state.battery,
    drained: false,
    grounded: null,
  })),
  START: STARTED,
  START_WARM: STARTED,
  FIRST_START: STARTED,
  COOLER_SEEN: rule(['running']),
  SEEN: rule(['running']),
  ERROR_CORRECTION_NOTED: rule(['running']),
  SYSTEM_RISK: rule([], (state) => ({ ...state, riskAgreed: true })),
  SHORT_TEST: TESTED,
  TEST_PASS: TESTED,
  SYSTEM: rule(['driveIn', 'running', 'restored', 'tested'], (state) => ({
    ...state,
    inSystem: true,
  })),
  SEEN_SYSTEM: IN_SYSTEM,
  ERRORS_AFTER: IN_SYSTEM,
  FILES_FIT: IN_SYSTEM,
  ENCRYPTION_RESUMED: IN_SYSTEM,
  STABILITY: rule(['running', 'testable']),
}
