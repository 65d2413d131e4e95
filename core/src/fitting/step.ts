/** What a step asks of the hands; its sentence is the interface's. */
export const FIT_CODES = [
  'CAUTION_MAKER',
  'CAUTION_BACKUP',
  'CAUTION_SWOLLEN',
  'CAUTION_MAINS',
  'CAUTION_COOLER',
  'CAUTION_DISPLAY',
  'CAUTION_MODEL',
  'BACKUP',
  'SHUT_DOWN',
  'UNPLUG',
  'STRAP_ON',
  'TOUCH_METAL',
  'SIDE_OFF',
  'TOP_OFF',
  'SHROUD_OUT',
  'CAGE_OUT',
  'SCREWS_OUT',
  'COVER_OFF',
  'HATCH_OFF',
  'DISPLAY_OFF',
  'PART_OFF',
  'BATTERY_OFF',
  'DRAIN',
  'TAKE_OUT',
  'LATCHES_OPEN',
  'PUT_IN',
  'SEATED',
  'BATTERY_ON',
  'PART_ON',
  'DISPLAY_ON',
  'HATCH_ON',
  'COVER_ON',
  'SCREWS_IN',
  'CAGE_IN',
  'SHROUD_IN',
  'TOP_ON',
  'SIDE_ON',
  'STRAP_OFF',
  'PLUG_IN',
  'FIRST_START',
  'SEEN',
  'PROFILE_ON',
  'STABILITY',
] as const
export type FitCode = (typeof FIT_CODES)[number]

export const PHASES = ['cautions', 'before', 'open', 'out', 'in', 'close', 'start'] as const
export type Phase = (typeof PHASES)[number]

export const TOOLS = [
  'screwdriver-small',
  'screwdriver-fine',
  'pry-card',
  'tweezers',
  'screw-tray',
  'strap-mat',
  'suction-cup',
] as const
export type Tool = (typeof TOOLS)[number]

/** The part of the labour a step belongs to, as the shop's table has its minutes. */
export const WORKS = ['open', 'battery', 'module', 'firstStart', 'profile', 'stability'] as const
export type Work = (typeof WORKS)[number]

/** What a step is about: a module by its record, a text of the model's record, an amount of memory. */
export interface About {
  moduleId?: string
  /** The slot a moved module came from. */
  from?: string
  /** How a module goes in: small-outline ones at an angle and folded down. */
  angle?: 'straight' | 'angled'
  text?: string
  gib?: number
  dataRate?: number
}

export interface FitStep {
  /** The same for the same step of the same plan, so that ticks stay with it. */
  id: string
  code: FitCode
  phase: Phase
  /** Read and acknowledged, not done: cannot be skipped. */
  caution: boolean
  slots: string[]
  about: About
  tools: Tool[]
  work: Work | null
  minutes: number
}
