import type { Outcome } from '../diagnose'
import { evaluate } from '../evaluate'
import type { Machine, Module, Placement, Settings } from '../model'
import { writeCimCsv } from '../readings'

/** What a machine on the bench tells, real or simulated. */
export interface Observation {
  /** The set-up screen: GiB in all, MT/s, and GiB by slot; null where it does not start. */
  setup: { totalGiB: number; dataRate: number; slots: Record<string, number> } | null
  /** CIM PhysicalMemory as the system would write it; empty where it does not start. */
  readout: string
}

/** What a simulated machine shows after a start with this outcome: modules that are missing are not seen. */
export function shows(
  machine: Machine,
  placement: Placement,
  settings: Settings,
  outcome: Outcome,
): Observation {
  const lost = outcome.kind === 'MISSING' ? new Set(outcome.slots) : new Set<string>()
  const left = Object.fromEntries(
    Object.entries(placement).map(([slot, module]) => [slot, lost.has(slot) ? null : module]),
  )
  const { starts, capacity, run } = evaluate({ machine, placement: left, settings })
  if (outcome.kind === 'NO_START' || !starts || !run) return { setup: null, readout: '' }
  const seated = machine.slots.flatMap(({ id, channel }) => {
    const module = left[id]
    return module ? [{ id, channel, module }] : []
  })
  return {
    setup: {
      totalGiB: capacity.installedGiB,
      dataRate: run.dataRate,
      slots: Object.fromEntries(machine.slots.map(({ id }) => [id, left[id]?.capacityGiB ?? 0])),
    },
    readout: writeCimCsv(
      seated.map(({ id, channel, module }) => ({
        locator: id,
        bank: `BANK ${channel}`,
        module: module as Module,
        configuredDataRate: run.dataRate,
      })),
    ),
  }
}
