import { STARTING_CAUSES, type Trial } from '@tembrix/core/bench/diagnose'
import {
  asFound,
  type BenchMachine,
  benchMachine,
  fittedOut,
  hiddenIn,
  type InStore,
  type MachineStart,
  type StandIn,
  standIn,
  type Trait,
  usuallyFound,
} from '@tembrix/core/bench/simulate'
import { arrangementOf, faultSearch, knownGood, type Situation } from '@tembrix/core/shop/job'
import { useMemo } from 'react'
import {
  simulatedKept,
  simulatedPutAway,
  useAppDispatch,
  useAppSelector,
} from '../../../../base/data'
import { useJob } from '../file'

type When = 'before' | 'after'

export interface SimulatedBench {
  /** With the plan in it; null while none stands on the bench. */
  machine: BenchMachine | null
  /** What is hidden in it, part by part. */
  hidden: string[]
  begin: (kind: InStore | Trait | null) => void
  remove: () => void
  /** As it was found, or with the plan in it; null while none stands on the bench. */
  machineIn: (when: When) => BenchMachine | null
  /** All modules where they were found, or are planned. */
  whole: (when: When) => Trial
}

/** A simulated machine in place of the job’s, the same one from Identify to Verify. */
export function useSimulated(): SimulatedBench {
  const { file, machine, now, atBench: planned, shop } = useJob()
  const dispatch = useAppDispatch()
  const kept = useAppSelector((state) => state.simulated[file.id])
  return useMemo(() => {
    const keep = (next: StandIn) => dispatch(simulatedKept({ jobId: file.id, machine: next }))
    const known = knownGood(machine, now, planned, shop, file.id)
    const modules = { ...known, ...modulesOf(now), ...modulesOf(planned) }
    const suspected = () =>
      faultSearch(machine, planned, [], STARTING_CAUSES, known)?.suspicion ?? null
    const fitted = kept && fittedOut(kept, modules, suspected())
    const bound = fitted ? benchMachine(fitted, keep) : null
    return {
      machine: bound,
      hidden: fitted ? hiddenIn(fitted) : [],
      begin: (kind) => {
        const seed = Date.now() % 2 ** 30
        const placed = arrangementOf(now.assignment)
        if (Object.keys(placed).length > 0) {
          keep(standIn(machine, modules, placed, kind, seed))
          return
        }
        const usual = Object.entries(usuallyFound(machine, seed))
        const found = Object.fromEntries(usual.map(([slot]) => [slot, `found in ${slot}`]))
        const own = Object.fromEntries(usual.map(([slot, one]) => [`found in ${slot}`, one]))
        keep(standIn(machine, { ...modules, ...own }, found, kind, seed))
      },
      remove: () => dispatch(simulatedPutAway(file.id)),
      machineIn: (when) => {
        if (when === 'after' || !kept) return bound
        return benchMachine(asFound(kept), () => keep({ ...kept, seed: kept.seed + 1 }))
      },
      whole: (when) => ({
        arrangement: when === 'before' && kept ? kept.found : arrangementOf(planned.assignment),
        reseat: false,
        profile: (when === 'before' ? now : planned).settings.profile,
        depth: 'start',
        action: null,
      }),
    }
  }, [file.id, machine, now, planned, shop, kept, dispatch])
}

const modulesOf = ({ assignment, placement }: Situation) =>
  Object.fromEntries(
    Object.entries(arrangementOf(assignment)).flatMap(([slot, name]) => {
      const module = placement[slot]
      return module ? [[name, module]] : []
    }),
  )

/** How a start went, in words, behind its outcome. */
export function startWords({ training: { minutes, restarts }, setupReset }: MachineStart): string {
  const trained =
    restarts === 0
      ? ''
      : ` The memory trained for ${minutes.toFixed(1)} min, with ${restarts === 1 ? 'a restart' : `${restarts} restarts`}.`
  const reset = setupReset
    ? ' Its setup went back to the defaults by itself: the memory profile is off.'
    : ''
  return trained + reset
}
