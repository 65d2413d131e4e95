import type { Fastening, TestFrom } from '../../things/model'

/** What a step asks of the hands; its sentence is the interface's. */
export const FIT_CODES = [
  'CAUTION_MAKER',
  'CAUTION_BACKUP',
  'CAUTION_KEY',
  'CAUTION_SWOLLEN',
  'CAUTION_BATTERY',
  'CAUTION_MAINS',
  'CAUTION_STANDBY',
  'CAUTION_COOLER',
  'CAUTION_SURFACE',
  'CAUTION_CARD',
  'CAUTION_HATCH',
  'CAUTION_NONVOLATILE',
  'CAUTION_DISPLAY',
  'CAUTION_SCREWED',
  'CAUTION_MODEL',
  'BACKUP',
  'KEY_AT_HAND',
  'ERRORS_BEFORE',
  'ENCRYPTION_SUSPENDED',
  'SETUP_NOTED',
  'FIRMWARE_UPDATE',
  'PROFILE_OFF',
  'ERASE_NONVOLATILE',
  'CHARGE_LOW',
  'SHUT_DOWN',
  'FORCE_OFF',
  'UNPLUG',
  'PACK_OUT',
  'DISABLE_BATTERY',
  'CUT_BATTERY',
  'LAY_DOWN',
  'STRAP_ON',
  'TOUCH_METAL',
  'SIDE_OFF',
  'TOP_OFF',
  'SHROUD_OUT',
  'CAGE_OUT',
  'SCREWS_OUT',
  'COVER_OFF',
  'HATCH_OFF',
  'DISPLAY_LOOSE',
  'DISPLAY_OFF',
  'PART_OFF',
  'BATTERY_OFF',
  'COOLER_OFF',
  'CARD_OUT',
  'DRAIN',
  'DRIVE_OUT',
  'TAKE_OUT',
  'LATCHES_OPEN',
  'PUT_IN',
  'RESEAT',
  'CLEAN_CONTACTS',
  'CONNECTORS',
  'SEATED',
  'CLEAR_SETUP',
  'DRIVE_IN',
  'CARD_IN',
  'COOLER_ON',
  'BATTERY_ON',
  'PART_ON',
  'DISPLAY_SET',
  'DISPLAY_ON',
  'HATCH_ON',
  'COVER_ON',
  'SCREWS_IN',
  'CAGE_IN',
  'SHROUD_IN',
  'TOP_ON',
  'SIDE_ON',
  'PACK_IN',
  'STRAP_OFF',
  'STAND_UP',
  'PLUG_IN',
  'START',
  'START_WARM',
  'FIRST_START',
  'COOLER_SEEN',
  'SEEN',
  'ERROR_CORRECTION_NOTED',
  'SYSTEM_RISK',
  'SHORT_TEST',
  'TEST_PASS',
  'PROFILE_ON',
  'SET_BY_HAND',
  'GRAPHICS_SET',
  'SETUP_RESTORED',
  'SYSTEM',
  'SEEN_SYSTEM',
  'ERRORS_AFTER',
  'FILES_FIT',
  'ENCRYPTION_RESUMED',
  'STABILITY',
] as const
export type FitCode = (typeof FIT_CODES)[number]

export const PHASES = ['cautions', 'before', 'open', 'out', 'in', 'try', 'close', 'start'] as const
export type Phase = (typeof PHASES)[number]

export const TOOLS = [
  'screwdriver-small',
  'screwdriver-fine',
  'screwdriver-star',
  'screwdriver-torque',
  'pry-card',
  'screw-tray',
  'strap-mat',
  'suction-cup',
  'soft-mat',
  'cleaning-cloth',
  'thermal-paste',
  'test-medium',
] as const
export type Tool = (typeof TOOLS)[number]

/** The part of the labour a step belongs to, as the shop's table has its minutes. */
export const LABOUR_WORKS = [
  'open',
  'battery',
  'module',
  'firstStart',
  'profile',
  'stability',
] as const
export type LabourWork = (typeof LABOUR_WORKS)[number]

/** What a step is about: a module by its record, a text of the model's record, an amount of memory. */
export interface StepSubject {
  moduleId?: string
  /** The slot a moved module came from. */
  from?: string
  /** What holds the modules of this machine. */
  fastening?: Fastening
  text?: string
  gib?: number
  dataRate?: number
  timings?: { cl: number; trcd: number; trp: number; tras: number }
  /** Minutes to wait, from the least to the most, and when to stop waiting. */
  wait?: { low: number; high: number; atMost?: number }
  /** The soak test: how many passes, warm or not, and hours in `wait`. */
  passes?: number
  warm?: boolean
  /** Source of the memory test. */
  testFrom?: TestFrom
}

export interface FittingStep {
  /** The same for the same step of the same plan, so that ticks stay with it. */
  id: string
  code: FitCode
  phase: Phase
  /** Read and acknowledged, not done. */
  caution: boolean
  /** Makes the machine safe to touch, or safe to start: like a caution it cannot be left out. */
  safety: boolean
  slots: string[]
  about: StepSubject
  tools: Tool[]
  work: LabourWork | null
  minutes: number
}
