import { type BenchState, MET, type SafetyCondition } from './condition'
import { RULES } from './rules'
import type { Removal, Setup } from './setup'
import type { FitCode, FittingStep, Phase } from './step'

/** Steps that make the machine safe to touch or to start. */
const SAFETY: ReadonlySet<FitCode> = new Set([
  'KEY_AT_HAND',
  'SHUT_DOWN',
  'FORCE_OFF',
  'UNPLUG',
  'PACK_OUT',
  'DISABLE_BATTERY',
  'CUT_BATTERY',
  'BATTERY_OFF',
  'DRAIN',
  'SEATED',
  'STRAP_OFF',
  'COOLER_ON',
  'SYSTEM_RISK',
  'SETUP_RESTORED',
  'SYSTEM',
])

const PHASE_OF: Partial<Record<FitCode, Phase>> = {
  LAY_DOWN: 'open',
  DRIVE_OUT: 'in',
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
    const { needs: needsOf, leaves } = RULES[code]
    const needs = needsOf(setup)
    for (const need of needs) reach(need)
    const unmet = needs.find((need) => !MET[need](now, setup))
    if (unmet) throw new Error(`${code} would be done on a machine that is not ${unmet}`)
    steps.push(written(code, more))
    now = leaves(now, setup)
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
          act(now.starts ? 'SHUT_DOWN' : 'FORCE_OFF')
          break
        case 'unplugged':
          act('UNPLUG')
          break
        case 'batteryOff':
          if (setup.battery === 'plug') removal(now.opened, true)
          else if (setup.battery === 'pack') act('PACK_OUT')
          else act(now.starts ? 'DISABLE_BATTERY' : 'CUT_BATTERY')
          break
        case 'drained':
          act('DRAIN')
          break
        case 'grounded':
          if (setup.static === 'strap') act('STRAP_ON', { tools: ['strap-mat'] })
          else act('TOUCH_METAL')
          break
        case 'lying':
          act('LAY_DOWN', { tools: ['soft-mat'] })
          break
        case 'standing':
          act('STAND_UP')
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
        case 'testable':
          act('SYSTEM_RISK')
          act('SYSTEM')
          break
        case 'tested':
          act(MET.testable({ ...now, riskAgreed: false }, setup) ? 'SHORT_TEST' : 'SYSTEM_RISK')
          break
        case 'restored':
          act('SETUP_RESTORED')
          break
        case 'driveIn':
          act('DRIVE_IN')
          break
        case 'inSystem':
          act('SYSTEM')
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

const TESTS: ReadonlySet<FitCode> = new Set(['SHORT_TEST', 'TEST_PASS'])

/**
 * The cautions and the steps for safety before one that nobody has done yet: it waits for them. The start of the
 * customer's system also waits for the tests before it.
 */
export function waitsFor(
  steps: readonly FittingStep[],
  step: FittingStep,
  isDone: (step: FittingStep) => boolean,
): FittingStep[] {
  const at = steps.findIndex(({ id }) => id === step.id)
  const needed = (one: FittingStep) =>
    (one.caution ||
      (one.safety && !step.caution) ||
      (step.code === 'SYSTEM' && TESTS.has(one.code))) &&
    !isDone(one)
  return step.caution ? [] : steps.slice(0, at).filter(needed)
}
