import type { Removal, Setup } from './setup'
import type { FitCode, FittingStep, Phase } from './step'

/** How a machine stands on the bench. */
export interface BenchState {
  /** Anything but shut down fully: asleep and hibernated count as running. */
  running: boolean
  /** A cable of it is plugged in. */
  plugged: boolean
  /** Whether a battery can still feed the board. */
  battery: 'none' | 'live' | 'off'
  /** The power button was held since the last power was cut. */
  drained: boolean
  /** Against static: a strap is on, bare metal was touched, or neither. */
  grounded: 'strap' | 'touch' | null
  /** How many of the removals on the way in are off, from the outermost. */
  opened: number
  /** Every seat was looked at since a module last moved. */
  seated: boolean
}

/** A condition of the machine that a step needs. */
export type SafetyCondition =
  | 'off'
  | 'unplugged'
  | 'batteryOff'
  | 'drained'
  | 'grounded'
  | 'open'
  | 'closed'
  | 'seated'
  | 'startable'
  | 'unstrapped'
  | 'powered'
  | 'running'

const MET: Record<SafetyCondition, (state: BenchState, setup: Setup) => boolean> = {
  off: ({ running }) => !running,
  unplugged: ({ plugged }) => !plugged,
  batteryOff: ({ battery }) => battery !== 'live',
  drained: ({ drained }) => drained,
  grounded: ({ grounded }) => grounded !== null,
  open: ({ opened }, { way }) => opened === way.length,
  closed: ({ opened }) => opened === 0,
  seated: ({ seated }) => seated,
  startable: ({ opened }, { mayStayOff }) => opened <= mayStayOff,
  unstrapped: ({ grounded }) => grounded !== 'strap',
  powered: ({ plugged }) => plugged,
  running: ({ running }) => running,
}

/** Nothing in the machine has power, and the hands carry no charge. */
const DEAD = ['off', 'unplugged', 'batteryOff', 'drained', 'grounded'] as const
const SAFE_AND_OPEN: SafetyCondition[] = [...DEAD, 'open']
const CUT: SafetyCondition[] = ['off', 'unplugged']

/** What a step needs of the machine before it may be done. */
function needsOf(code: FitCode, setup: Setup): SafetyCondition[] {
  // A battery whose plug lies beneath the cover is cut on the way in; any other before the first screw.
  const opening: SafetyCondition[] = setup.battery === 'plug' ? [...CUT, 'grounded'] : [...DEAD]
  switch (code) {
    case 'TAKE_OUT':
    case 'LATCHES_OPEN':
    case 'PUT_IN':
    case 'RESEAT':
    case 'CLEAN_CONTACTS':
    case 'CONNECTORS':
    case 'CLEAR_SETUP':
      return SAFE_AND_OPEN
    case 'PART_OFF':
    case 'PART_ON':
    case 'SHROUD_OUT':
    case 'SHROUD_IN':
    case 'CAGE_OUT':
    case 'CAGE_IN':
      return [...DEAD]
    case 'SEATED':
      return [...CUT]
    case 'SCREWS_OUT':
    case 'COVER_OFF':
    case 'BATTERY_OFF':
    case 'HATCH_OFF':
    case 'DISPLAY_LOOSE':
    case 'DISPLAY_OFF':
    case 'SIDE_OFF':
    case 'TOP_OFF':
      return opening
    case 'BATTERY_ON':
    case 'DISPLAY_SET':
      return [...CUT, 'seated']
    case 'DISPLAY_ON':
    case 'HATCH_ON':
    case 'COVER_ON':
    case 'SCREWS_IN':
    case 'SIDE_ON':
    case 'TOP_ON':
      return CUT
    case 'DISABLE_BATTERY':
    case 'PACK_OUT':
    case 'STRAP_ON':
    case 'TOUCH_METAL':
      return CUT
    case 'PACK_IN':
      return [...CUT, 'closed', 'unstrapped']
    case 'UNPLUG':
      return ['off']
    case 'DRAIN':
      return [...CUT, 'batteryOff']
    case 'PLUG_IN':
      return ['seated', 'startable', 'unstrapped']
    case 'START':
    case 'FIRST_START':
      return ['off', 'seated', 'startable', 'unstrapped', 'powered']
    case 'FIRMWARE_UPDATE':
    case 'SETUP_NOTED':
    case 'PROFILE_OFF':
    case 'PROFILE_ON':
    case 'SET_BY_HAND':
    case 'SEEN':
    case 'SHORT_TEST':
    case 'TEST_PASS':
    case 'STABILITY':
    case 'CHARGE_LOW':
      return ['running']
    default:
      return []
  }
}

/** How the machine stands after a step. */
function after(state: BenchState, code: FitCode, setup: Setup): BenchState {
  switch (code) {
    case 'SHUT_DOWN':
      return { ...state, running: false }
    case 'UNPLUG':
      return { ...state, plugged: false }
    case 'PACK_OUT':
    case 'DISABLE_BATTERY':
      return { ...state, battery: 'off' }
    case 'BATTERY_OFF':
      return { ...state, battery: 'off', opened: state.opened + 1 }
    case 'BATTERY_ON':
      return { ...state, battery: 'live', drained: false, opened: state.opened - 1 }
    case 'PACK_IN':
      return { ...state, battery: 'live', drained: false }
    case 'DRAIN':
      return { ...state, drained: true }
    case 'STRAP_ON':
      return { ...state, grounded: 'strap' }
    case 'TOUCH_METAL':
      return { ...state, grounded: 'touch' }
    case 'STRAP_OFF':
      return { ...state, grounded: null }
    case 'PUT_IN':
    case 'RESEAT':
    case 'CLEAN_CONTACTS':
      return { ...state, seated: false }
    case 'SEATED':
      return { ...state, seated: true }
    case 'PLUG_IN': {
      // The charger switches a battery that was disabled in the setup on again.
      const battery = setup.battery === 'setup' ? 'live' : state.battery
      return { ...state, plugged: true, battery, drained: false, grounded: null }
    }
    case 'START':
    case 'FIRST_START':
      return { ...state, running: true }
    default:
      break
  }
  if (setup.way.some(({ off }) => off === code)) return { ...state, opened: state.opened + 1 }
  if (setup.way.some(({ on }) => on === code)) return { ...state, opened: state.opened - 1 }
  return state
}

/** Steps that make the machine safe to touch or to start. */
const SAFETY: ReadonlySet<FitCode> = new Set([
  'KEY_AT_HAND',
  'SHUT_DOWN',
  'UNPLUG',
  'PACK_OUT',
  'DISABLE_BATTERY',
  'BATTERY_OFF',
  'DRAIN',
  'SEATED',
  'STRAP_OFF',
])

const PHASE_OF: Partial<Record<FitCode, Phase>> = {
  TAKE_OUT: 'out',
  LATCHES_OPEN: 'in',
  PUT_IN: 'in',
  RESEAT: 'in',
  CLEAN_CONTACTS: 'in',
  CONNECTORS: 'in',
  SEATED: 'in',
  CLEAR_SETUP: 'in',
}

export type StepDetails = Partial<
  Pick<FittingStep, 'slots' | 'about' | 'tools' | 'work' | 'minutes'>
>

/** Work on a machine as it is written down, step by step. */
export interface BenchWork {
  steps: FittingStep[]
  state: BenchState
  /** Does something, and first whatever its safety needs. */
  do: (code: FitCode, more?: StepDetails) => void
  /** Puts back what came off last. */
  close: () => void
  /** What is written from here on belongs to this phase; null: to the usual one of each step. */
  during: (phase: Phase | null) => void
}

/** Tools and minutes of a removal on the way in, by its place in it. */
export type Ways = (removal: Removal, at: number, off: boolean) => StepDetails

/**
 * Begins a sequence on a machine that stands like this. Nothing can be written into it that would touch
 * a part with power on it: what a step needs is reached by steps of its own first.
 * @throws Error where two needs of a step undo each other, which no machine’s should.
 */
export function workOn(setup: Setup, state: BenchState, ways: Ways): BenchWork {
  const steps: FittingStep[] = []
  let now = state
  let phase: Phase | null = null
  const taken = new Map<string, number>()

  function written(code: FitCode, more: StepDetails): FittingStep {
    const { slots = [], about = {}, tools = [], work = null, minutes = 0 } = more
    const plain = [code, ...slots, about.moduleId, about.text].filter(Boolean).join(' ')
    const before = taken.get(plain) ?? 0
    taken.set(plain, before + 1)
    const caution = code.startsWith('CAUTION_')
    return {
      id: before === 0 ? plain : `${plain} ${before + 1}`,
      code,
      phase: caution
        ? 'cautions'
        : (phase ?? PHASE_OF[code] ?? (isOpening(code) ? 'open' : 'before')),
      caution,
      safety: SAFETY.has(code),
      slots,
      about,
      tools,
      work,
      minutes,
    }
  }
  const isOpening = (code: FitCode) =>
    setup.way.some(({ off }) => off === code) || (code === 'DRAIN' && setup.battery === 'plug')

  function act(code: FitCode, more: StepDetails = {}): void {
    const needs = needsOf(code, setup)
    for (const need of needs) reach(need)
    const unmet = needs.find((need) => !MET[need](now, setup))
    if (unmet) throw new Error(`${code} would be done on a machine that is not ${unmet}`)
    steps.push(written(code, more))
    now = after(now, code, setup)
  }

  function removal(at: number, off: boolean): void {
    const one = setup.way[at] as Removal
    const about = one.text === undefined ? {} : { text: one.text }
    const more = ways(one, at, off)
    act(off ? one.off : one.on, { ...more, about: { ...about, ...more.about } })
  }

  /** Brings the machine into a condition, by its own steps. */
  function reach(need: SafetyCondition): void {
    while (!MET[need](now, setup)) {
      switch (need) {
        case 'off':
          act('SHUT_DOWN')
          break
        case 'unplugged':
          act('UNPLUG')
          break
        case 'batteryOff':
          if (setup.battery === 'plug') removal(now.opened, true)
          else act(setup.battery === 'pack' ? 'PACK_OUT' : 'DISABLE_BATTERY')
          break
        case 'drained':
          act('DRAIN')
          break
        case 'grounded':
          if (setup.static === 'strap') act('STRAP_ON', { tools: ['strap-mat'] })
          else act('TOUCH_METAL')
          break
        case 'open':
          removal(now.opened, true)
          break
        case 'startable':
        case 'closed':
          removal(now.opened - 1, false)
          break
        case 'seated':
          act('SEATED')
          break
        case 'unstrapped':
          act('STRAP_OFF')
          break
        case 'powered':
          act('PLUG_IN')
          break
        case 'running':
          act('START')
          break
      }
    }
  }

  return {
    steps,
    get state() {
      return now
    },
    do: act,
    close: () => removal(now.opened - 1, false),
    during: (next) => {
      phase = next
    },
  }
}

/** The cautions and the steps for safety before one that nobody has done yet: it waits for them. */
export function waitsFor(
  steps: readonly FittingStep[],
  step: FittingStep,
  isDone: (step: FittingStep) => boolean,
): FittingStep[] {
  const at = steps.findIndex(({ id }) => id === step.id)
  const needed = (one: FittingStep) =>
    (one.caution || (one.safety && !step.caution)) && !isDone(one)
  return step.caution ? [] : steps.slice(0, at).filter(needed)
}
