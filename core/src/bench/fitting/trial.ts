import { fillingOrder } from '../../judging/plan'
import { firstStart, type Trained, testPass } from '../../things/knowledge'
import type { Machine } from '../../things/model'
import type { Action } from '../diagnose'
import { type BenchWork, type Ways, workOn } from './bench'
import { cautionsOf, touchesParts } from './cautions'
import type { BenchState } from './condition'
import { type Openness, type Setup, setupOf } from './setup'
import type { FittingStep } from './step'
import { asItComes, testMedium, toolsFor } from './steps'

/** A trial of the fault finder, and how the machine stands before it. Modules are named by slot. */
export interface TrialInput extends Openness {
  machine: Machine
  /** What is in the slots now. */
  from: Readonly<Record<string, string>>
  fromProfile: boolean
  trial: {
    arrangement: Readonly<Record<string, string>>
    reseat: boolean
    profile: boolean
    depth: 'start' | 'test'
    action: Action | null
    warm?: boolean | undefined
  }
  /** It was opened for a trial before and has not been closed since. */
  opened: boolean
  /** It came up at the last start. */
  starts: boolean
  /** Capacities by module, GiB. */
  sizes: Readonly<Record<string, number>>
  /** Its modules are registered or load-reduced. */
  registered: boolean
  cautions: readonly string[]
}

const PLAIN: Ways = ({ tools }) => ({ tools })

/** A machine after its last start, with what may be off still off if it was opened; its memory is not trusted. */
function asItRan(
  setup: Setup,
  { opened, starts }: Pick<TrialInput, 'opened' | 'starts'>,
): BenchState {
  const came = asItComes(setup, starts)
  return { ...came, inSystem: false, tested: false, opened: opened ? setup.mayStayOff : 0 }
}

/**
 * A trial as steps: where modules move, cautions, then the machine shut down, unplugged, its battery
 * off, drained and open before the first of them is touched; then started as it may be, into the setup, and
 * tested from the shop's medium.
 */
export function trialSteps(input: TrialInput): FittingStep[] {
  const { machine, trial } = input
  const setup = setupOf(machine, input)
  const work = workOn(setup, asItRan(setup, input), PLAIN)
  const clears = trial.action === 'clear-setup'
  if (clears) beforeClearing(work, input)
  const moved = move(work, input, setup)
  if (trial.action === 'connect') work.do('CONNECTORS')
  if (clears) work.do('CLEAR_SETUP')
  const trained = trainedOf(input, trial.arrangement)
  const drive = setup.testFrom === 'drive' && trial.depth === 'test'
  if (drive) work.do('DRIVE_OUT')
  work.during('try')
  if (moved || trial.action === 'wait' || clears) {
    work.do('FIRST_START', { about: { wait: firstStart(trained) } })
  } else work.do(trial.warm ? 'START_WARM' : 'START')
  if (clears) work.do('SETUP_RESTORED')
  if (trial.profile !== input.fromProfile) work.do(trial.profile ? 'PROFILE_ON' : 'PROFILE_OFF')
  if (trial.depth === 'test') {
    const gib = trained.sizes.reduce((sum, one) => sum + one, 0)
    const { about, tools = [] } = testMedium(setup)
    work.do('TEST_PASS', { about: { ...about, wait: testPass(gib) }, tools })
  } else work.do('SEEN')
  return withCautions(setup, work.steps, input)
}

/** A cleared setup loses what the system starts by, and an encrypted drive may ask for its key. */
function beforeClearing(work: BenchWork, { starts }: Pick<TrialInput, 'starts'>): void {
  work.do('KEY_AT_HAND')
  if (starts) work.do('SETUP_NOTED')
}

const trainedOf = (
  { machine, sizes, registered }: Pick<TrialInput, 'machine' | 'sizes' | 'registered'>,
  arrangement: TrialInput['trial']['arrangement'],
): Trained => ({
  generation: machine.generation,
  channels: machine.channels.length,
  registered,
  sizes: Object.values(arrangement).map((module) => sizes[module] ?? 0),
})

/** Clearing the setup where it no longer starts: a hand in the machine, and so a machine made safe. */
export function clearSetupSteps(
  input: Pick<TrialInput, 'machine' | 'opened' | 'cautions' | 'sizes' | 'registered'> &
    Openness & { arrangement: TrialInput['trial']['arrangement'] },
): FittingStep[] {
  const setup = setupOf(input.machine, input)
  const work = workOn(setup, asItRan(setup, { ...input, starts: false }), PLAIN)
  beforeClearing(work, { starts: false })
  work.do('CLEAR_SETUP')
  work.during('try')
  const trained = trainedOf(input, input.arrangement)
  work.do('FIRST_START', { about: { wait: firstStart(trained) } })
  work.do('SETUP_RESTORED')
  return withCautions(setup, work.steps, input)
}

function withCautions(
  setup: Setup,
  steps: FittingStep[],
  { cautions }: Pick<TrialInput, 'cautions'>,
): FittingStep[] {
  if (!touchesParts(steps)) return steps
  const said = workOn(setup, asItComes(setup, true), PLAIN)
  for (const code of cautionsOf(setup, true)) said.do(code)
  for (const text of cautions) said.do('CAUTION_MODEL', { about: { text } })
  return [...said.steps, ...steps]
}

/** Takes out, puts in, seats again what the trial asks for; whether anything was touched. */
function move(
  work: BenchWork,
  { machine, from, trial }: TrialInput,
  { fastening }: Setup,
): boolean {
  const order = fillingOrder(machine)
  const { arrangement, action } = trial
  const reseat = trial.reseat || action === 'clean'
  const tools = toolsFor(fastening)
  const about = (module: string | undefined) => ({
    ...(module ? { moduleId: module } : {}),
    fastening,
  })
  const changes = (slot: string) => from[slot] !== arrangement[slot]
  const out = [...order].reverse().filter((slot) => from[slot] && changes(slot))
  const into = order.filter((slot) => arrangement[slot] && changes(slot))
  const again = reseat ? order.filter((slot) => arrangement[slot] && !changes(slot)) : []
  for (const slot of out) work.do('TAKE_OUT', { slots: [slot], about: about(from[slot]), tools })
  for (const slot of into) {
    work.do('PUT_IN', { slots: [slot], about: about(arrangement[slot]), tools })
  }
  if (again.length > 0) {
    const code = action === 'clean' ? 'CLEAN_CONTACTS' : 'RESEAT'
    work.do(code, { slots: again, about: { fastening }, tools })
  }
  if (into.length + again.length > 0) {
    work.do('SEATED', { slots: [...into, ...again], about: { fastening } })
  }
  return out.length + into.length + again.length > 0
}
