import {
  type ReportedModule,
  writeCimCsv,
  writeDdr3,
  writeDdr4,
  writeDdr5,
  writeSmbios,
} from '../../reading/inputs'
import { nextSlot } from '../../things/machines'
import type { Evaluation, Generation, Machine, Module } from '../../things/model'
import type { MachineShown } from './benchMachine'
import type { SimulatedMachine } from './simulated'

const WRITERS: Partial<Record<Generation, (module: Module) => Uint8Array>> = {
  DDR3: (module) => writeDdr3(module),
  DDR4: (module) => writeDdr4(module),
  DDR5: (module) => writeDdr5(module),
}

export const NOTHING_SHOWN: MachineShown = {
  setup: null,
  system: null,
  table: null,
  readout: '',
  contents: {},
}

/** What firmware keeps on every machine, GiB. */
const ALWAYS_RESERVED = 0.1

/** The machine as its own table has it: with slots that are not there. */
function asListed(machine: Machine, phantomSlots: number): Machine {
  let slots = [...machine.slots]
  for (let at = 0; at < phantomSlots; at += 1) slots = [...slots, nextSlot({ ...machine, slots })]
  return { ...machine, slots }
}

/** What a running machine shows with these modules found in its slots. */
export function shown(
  { machine, reservedGiB = ALWAYS_RESERVED, phantomSlots = 0 }: SimulatedMachine,
  found: Readonly<Record<string, Module>>,
  { capacity, run }: Evaluation,
): MachineShown {
  if (!run) return NOTHING_SHOWN
  const reported: ReportedModule[] = machine.slots.flatMap(({ id, channel }) => {
    const module = found[id]
    const configuredDataRate = run.dataRate
    return module ? [{ locator: id, bank: `BANK ${channel}`, module, configuredDataRate }] : []
  })
  return {
    setup: {
      totalGiB: capacity.installedGiB,
      dataRate: run.dataRate,
      cl: run.cl,
      slots: Object.fromEntries(machine.slots.map(({ id }) => [id, found[id]?.capacityGiB ?? 0])),
    },
    system: { usableGiB: Math.max(0, capacity.usableGiB - reservedGiB) },
    table: writeSmbios(asListed(machine, phantomSlots), reported),
    readout: writeCimCsv(reported),
    contents: Object.fromEntries(
      reported.flatMap(({ locator, module }) => {
        const write = WRITERS[module.generation]
        return write ? [[locator, write(module)]] : []
      }),
    ),
  }
}
