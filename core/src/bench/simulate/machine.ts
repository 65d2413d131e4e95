import { evaluate } from '../../judging/evaluate'
import { firstStart } from '../../things/knowledge'
import { type Evaluation, isRegistered, type Machine, type Module } from '../../things/model'
import { random } from '../../things/random'
import type { Trial } from '../diagnose'
import type { BenchMachine, MachineStart } from './benchMachine'
import { isOpened, tryOut } from './hidden'
import { bandwidthRuns, frameTimes, latencyRuns, type SimulatedSession } from './measure'
import { NOTHING_SHOWN, shown } from './shown'
import type { SimulatedMachine } from './simulated'

/** The simulated machine behind the interface a real one has; every change of it is given to `keep`. */
export function benchMachine<Kept extends SimulatedMachine>(
  first: Kept,
  keep: (now: Kept) => void = () => {},
): BenchMachine {
  let now = first
  const become = (next: SimulatedMachine) => {
    now = { ...now, ...next }
    keep(now)
  }
  const drawn = (): number => {
    become({ ...now, seed: now.seed + 1 })
    return now.seed
  }
  return {
    start: async (trial) => {
      const { start, after } = started(now, trial)
      become(after)
      return start
    },
    show: async () => {
      const running = runningOf(now)
      return running ? shown(now, running.found, running.evaluation) : NOTHING_SHOWN
    },
    bandwidth: async (work, runs) =>
      measured((one, session) => bandwidthRuns(one, work, runs, drawn(), session)),
    latency: async (runs) => measured((one, session) => latencyRuns(one, runs, drawn(), session)),
    frames: async (count) => measured((one, session) => frameTimes(one, count, drawn(), session)),
  }

  function measured(of: (evaluation: Evaluation, session: SimulatedSession) => number[]): number[] {
    const running = runningOf(now)
    if (!running || !now.last) return []
    const { ceilingGBs } = now
    return of(running.evaluation, {
      seed: now.last.session,
      ...(ceilingGBs === undefined ? {} : { ceilingGBs }),
    })
  }
}

/** Minutes of a start without training, and restarts while the memory trains. */
const PLAIN_START = 0.5
const RESTARTS = { trained: 1, profile: 1 }
/** Ranks in all at which training takes as long as it gets. */
const MANY_RANKS = 8

/** Training takes longer the more ranks there are to train, within what is usual for these modules. */
function trainingMinutes(machine: Machine, modules: readonly Module[]): number {
  const { low, high } = firstStart({
    generation: machine.generation,
    channels: machine.channels.length,
    registered: modules.some(({ buffering }) => isRegistered(buffering)),
    sizes: modules.map(({ capacityGiB }) => capacityGiB),
  })
  const ranks = modules.reduce((sum, module) => sum + module.ranks, 0)
  return low + (high - low) * Math.min(1, Math.max(0, ranks - 1) / (MANY_RANKS - 1))
}

function started(
  now: SimulatedMachine,
  asked: Trial,
): { start: MachineStart; after: SimulatedMachine } {
  const before = now.last
  const moved = !before || isOpened(before.trial.arrangement, asked)
  const setupReset =
    now.forgetsSetup === true && asked.profile && (moved || before.outcome.kind === 'NO_START')
  const trial = setupReset ? { ...asked, profile: false } : asked
  const { outcome, after: hidden } = tryOut(now.hidden, trial, random(now.seed * 31 + 17))
  const switched = before !== null && before.trial.profile !== trial.profile
  const training =
    moved || switched
      ? {
          minutes: trainingMinutes(now.machine, Object.values(fitted(now, trial))),
          restarts: RESTARTS.trained + (switched ? RESTARTS.profile : 0),
        }
      : { minutes: PLAIN_START, restarts: 0 }
  const seed = now.seed + 1
  const last = { trial, outcome, session: seed }
  return { start: { outcome, training, setupReset }, after: { ...now, hidden, seed, last } }
}

function fitted({ modules }: SimulatedMachine, { arrangement }: Trial): Record<string, Module> {
  return Object.fromEntries(
    Object.entries(arrangement).flatMap(([slot, name]) => {
      const module = modules[name]
      return module ? [[slot, module]] : []
    }),
  )
}

/** What it found at its last start, and what that runs at; null where it does not run. */
function runningOf(now: SimulatedMachine) {
  if (!now.last || now.last.outcome.kind === 'NO_START') return null
  const { trial, outcome } = now.last
  const lost = outcome.kind === 'MISSING' ? outcome.slots : []
  const found = fitted(now, trial)
  for (const slot of lost) delete found[slot]
  const { profile } = trial
  const evaluation = evaluate({ machine: now.machine, placement: found, settings: { profile } })
  return evaluation.run ? { found, evaluation } : null
}
