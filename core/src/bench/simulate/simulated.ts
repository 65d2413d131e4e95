import type { Machine, Module } from '../../things/model'
import type { Trial, TrialOutcome } from '../diagnose'
import type { Hidden } from './hidden'

/** A simulated machine as it stands: what it is, what there is to fit, what is hidden in it, its last start. */
export interface SimulatedMachine {
  machine: Machine
  /** What can be fitted, by the names that arrangements use. */
  modules: Readonly<Record<string, Module>>
  hidden: Hidden
  last: { trial: Trial; outcome: TrialOutcome; session: number } | null
  /** What graphics and firmware keep of the memory, GiB; little where left out. */
  reservedGiB?: number
  /** Slots its table lists that the board does not have. */
  phantomSlots?: number
  /** What a browser on it reaches at most, GB/s; none where left out. */
  ceilingGBs?: number
  /** Its setup goes back to its defaults when memory was changed, or when it did not start before. */
  forgetsSetup?: boolean
  /** Where its noise begins; moves on with every use. */
  seed: number
}
