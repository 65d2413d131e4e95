import { type Fault, partOf, type Suspicion, type Trial } from '@tembrix/core/diagnose'
import { arrangementOf, knownGood, type Situation } from '@tembrix/core/job'
import type { Configuration } from '@tembrix/core/measure'
import { random } from '@tembrix/core/random'
import {
  type BenchMachine,
  benchMachine,
  hide,
  type Simulated,
  type Start,
} from '@tembrix/core/simulate'
import { useMemo } from 'react'
import { simulatedKept, simulatedPutAway, useAppDispatch, useAppSelector } from '../../data'
import { useJob } from '../file'

export interface SimulatedBench {
  /** Null while none stands on the bench. */
  machine: BenchMachine | null
  /** What is hidden in it, part by part. */
  hidden: string[]
  begin: (suspicion: Suspicion, as: SimulatedAs) => void
  putAway: () => void
  /** The job's own machine as it was before: sound, with what was found in it. */
  machineIn: (configuration: Extract<Configuration, 'before' | 'after'>) => BenchMachine | null
  /** All modules where they are planned, or were found. */
  whole: (configuration: Extract<Configuration, 'before' | 'after'>) => Trial
}

/** How the simulated machine is: sound; with a hidden fault, or one that comes and goes; held back by its browser; or reporting oddly. */
export type SimulatedAs = 'sound' | 'faulty' | 'fickle' | 'held' | 'odd'

/** Memory kept for graphics, and a table that lists slots the board does not have. */
const ODD = { reservedGiB: 4, phantomSlots: 2 }
/** What a browser reaches at most, whatever the channels could carry. */
const HELD = { ceilingGBs: 11 }
/** How often a fault that comes and goes shows. */
const FICKLE = 0.5

/** Each machine as it was has noise of its own, and not that of the one on the bench. */
const APART = 1_000_000_000

/** A simulated machine in place of the job's, with a fault hidden in it or none. */
export function useSimulated(): SimulatedBench {
  const { file, machine, now, planned, shop } = useJob()
  const dispatch = useAppDispatch()
  const kept = useAppSelector((state) => state.simulated[file.id])
  return useMemo(() => {
    const keep = (next: Simulated) => dispatch(simulatedKept({ jobId: file.id, machine: next }))
    const bound = kept ? benchMachine(kept, keep) : null
    const modulesOf = ({ assignment, placement }: Situation) =>
      Object.fromEntries(
        Object.entries(arrangementOf(assignment)).flatMap(([slot, name]) => {
          const module = placement[slot]
          return module ? [[name, module]] : []
        }),
      )
    const known = knownGood(machine, now, planned, shop, file.id)
    const modules = { ...known, ...modulesOf(now), ...modulesOf(planned) }
    const asFound = (): BenchMachine => {
      const arrangement = arrangementOf(now.assignment)
      const held = Object.values(arrangement)
      const bench = { order: [], mustFill: [], modules: held, known: [], profiles: false }
      const hidden = hide(bench, arrangement, [])
      const seed = (Date.now() % APART) + APART
      return benchMachine({ machine, modules, hidden, last: null, seed })
    }
    return {
      machine: bound,
      hidden: kept?.hidden.faults.map(partOf) ?? [],
      begin: (suspicion, as) => {
        const { bench, arrangement } = suspicion
        const seed = Date.now() % 2 ** 31
        const shows = as === 'fickle' ? FICKLE : 1
        const faulty = as === 'faulty' || as === 'fickle'
        const faults = faulty ? [someFault(suspicion, seed, shows)] : []
        const hidden = hide(bench, arrangement, faults)
        keep({
          machine,
          modules,
          hidden,
          last: null,
          seed,
          ...(as === 'odd' ? ODD : {}),
          ...(as === 'held' ? HELD : {}),
        })
      },
      putAway: () => dispatch(simulatedPutAway(file.id)),
      machineIn: (configuration) => (configuration === 'before' ? asFound() : bound),
      whole: (configuration) => {
        const { assignment, settings } = configuration === 'before' ? now : planned
        const arrangement = arrangementOf(assignment)
        return {
          arrangement,
          reseat: false,
          profile: settings.profile,
          depth: 'start',
          action: null,
        }
      },
    }
  }, [file.id, machine, now, planned, shop, kept, dispatch])
}

/** How a start went, in words, behind its outcome. */
export const trainingWords = ({ training: { minutes, restarts } }: Start): string =>
  restarts === 0
    ? ''
    : ` The memory trained for ${minutes.toFixed(1)} min, with ${restarts === 1 ? 'a restart' : `${restarts} restarts`}.`

/** One of the faults that could be. */
function someFault(
  { bench, arrangement, faults }: Suspicion,
  seed: number,
  shows: Fault['shows'],
): Fault {
  const next = random(seed)
  const could = faults.filter(
    (fault) =>
      !fault.cured &&
      fault.shows === shows &&
      fault.kind !== 'NOTHING' &&
      !(fault.kind === 'SLOT' && arrangement[fault.slot] === undefined) &&
      !(fault.kind === 'ORDER' || (fault.kind === 'PAIR' && bench.modules.length < 3)),
  )
  return could[Math.floor(next() * could.length)] as Fault
}
