import type { Outcome } from '../diagnose'
import { evaluate } from '../evaluate'
import type { Generation, Machine, Module, Placement, Settings } from '../model'
import { writeCimCsv, writeDdr3, writeDdr4, writeDdr5 } from '../readings'

const WRITERS: Partial<Record<Generation, (module: Module) => Uint8Array>> = {
  DDR3: (module) => writeDdr3(module),
  DDR4: (module) => writeDdr4(module),
  DDR5: (module) => writeDdr5(module),
}

/** What a machine on the bench tells, real or simulated. */
export interface Observation {
  /** The set-up screen: GiB in all, MT/s, and GiB by slot; null where it does not start. */
  setup: { totalGiB: number; dataRate: number; slots: Record<string, number> } | null
  /** CIM PhysicalMemory as the system would write it; empty where it does not start. */
  readout: string
  /** The identification contents of each module that is seen, by slot; none for other generations than DDR3 to DDR5. */
  contents: Record<string, Uint8Array>
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
  if (outcome.kind === 'NO_START' || !starts || !run)
    return { setup: null, readout: '', contents: {} }
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
    contents: Object.fromEntries(
      seated.flatMap(({ id, module }) => {
        const write = WRITERS[module.generation]
        return write ? [[id, write(module)]] : []
      }),
    ),
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
