import type { Trial, TrialOutcome } from '../diagnose'
import type { Bandwidth } from '../measure'

/** A machine on the bench, real or simulated: what can be done with it, and what it answers. */
export interface BenchMachine {
  /** Fits it and sets it up as the trial has it, starts it, and tests it where the trial asks for that. */
  start: (trial: Trial) => Promise<MachineStart>
  /** What it shows since its last start. */
  show: () => Promise<MachineShown>
  /** GB/s, run by run, as it was last started; none where it does not run. */
  bandwidth: (work: Bandwidth, runs: number) => Promise<number[]>
  /** ns, run by run. */
  latency: (runs: number) => Promise<number[]>
  /** Frame times, ms. */
  frames: (count: number) => Promise<number[]>
}

export interface MachineStart {
  outcome: TrialOutcome
  /** How long the memory took to train before the first picture, and how often the machine restarted for it. */
  training: { minutes: number; restarts: number }
  /** The setup went back to its defaults by itself, the memory profile off with it. */
  setupReset: boolean
}

/** What a machine tells of itself. */
export interface MachineShown {
  /** The set-up screen: GiB in all, MT/s, CL, and GiB by slot; null where it does not start. */
  setup: { totalGiB: number; dataRate: number; cl: number; slots: Record<string, number> } | null
  /** What the running system can use, GiB; null where it does not start. */
  system: { usableGiB: number } | null
  /** The memory part of its SMBIOS table; null where it does not start. */
  table: Uint8Array | null
  /** CIM PhysicalMemory as its system writes it; empty where it does not start. */
  readout: string
  /** The identification contents of each module that is seen, by slot; none for other generations than DDR3 to DDR5. */
  contents: Record<string, Uint8Array>
}
