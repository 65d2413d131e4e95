import { fillingOrder } from '../../judging/plan'
import { firstStart, testPass } from '../../things/knowledge'
import type { Machine } from '../../things/model'
import type { Action } from '../diagnose'
import { type BenchState, type BenchWork, type Ways, workOn } from './bench'
import { cautionsOf, touchesParts } from './cautions'
import { type Openness, type Setup, setupOf } from './setup'
import type { FittingStep } from './step'
import { asItComes, toolsFor } from './steps'

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
  /** Capacities by module, GiB. */
  sizes: Readonly<Record<string, number>>
  cautions: readonly string[]
}

const PLAIN: Ways = ({ tools }) => ({ tools })

/** A machine that ran last, with what may be off still off if it was opened. */
function asItRan(setup: Setup, opened: boolean): BenchState {
  return { ...asItComes(setup), opened: opened ? setup.mayStayOff : 0 }
}

/**
 * A trial as steps: where modules move, cautions, then the machine shut down, unplugged, its battery
 * off, drained and open before the first of them is touched; then started as it may be.
 */
export function trialSteps(input: TrialInput): FittingStep[] {
  const { machine, trial } = input
  const setup = setupOf(machine, input)
  const work = workOn(setup, asItRan(setup, input.opened), PLAIN)
  const moved = move(work, input, setup)
  if (trial.action === 'connect') work.do('CONNECTORS')
  if (trial.action === 'clear-setup') work.do('CLEAR_SETUP')
  const sizes = Object.values(trial.arrangement).map((module) => input.sizes[module] ?? 0)
  work.during('try')
  if (moved || trial.action === 'wait' || trial.action === 'clear-setup') {
    const wait = firstStart({ generation: machine.generation, sizes })
    work.do('FIRST_START', { about: { wait } })
  } else work.do(trial.warm ? 'START_WARM' : 'START')
  if (trial.profile !== input.fromProfile) work.do(trial.profile ? 'PROFILE_ON' : 'PROFILE_OFF')
  if (trial.depth === 'test') {
    const gib = sizes.reduce((sum, one) => sum + one, 0)
    work.do('TEST_PASS', { about: { wait: testPass(gib) } })
  } else work.do('SEEN')
  return withCautions(setup, work.steps, input.cautions)
}

/** Clearing the setup where it no longer starts: a hand in the machine, and so a machine made safe. */
export function clearSetupSteps(
  input: Pick<TrialInput, 'machine' | 'opened' | 'cautions'> & Openness,
): FittingStep[] {
  const setup = setupOf(input.machine, input)
  const work = workOn(setup, asItRan(setup, input.opened), PLAIN)
  work.do('CLEAR_SETUP')
  work.during('try')
  work.do('START')
  return withCautions(setup, work.steps, input.cautions)
}

function withCautions(setup: Setup, steps: FittingStep[], texts: readonly string[]): FittingStep[] {
  if (!touchesParts(steps)) return steps
  const said = workOn(setup, asItComes(setup), PLAIN)
  for (const code of cautionsOf(setup, true)) said.do(code)
  for (const text of texts) said.do('CAUTION_MODEL', { about: { text } })
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
