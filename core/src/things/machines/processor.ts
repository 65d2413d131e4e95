import { deepEqual, type Machine, type ProcessorRow } from '../model'

/** The processors whose figures are known for a board, by name. */
export const processorNamed = (
  { processors = [] }: Pick<Machine, 'processors'>,
  name: string,
): ProcessorRow | undefined =>
  processors.find((one) => one.name.toLowerCase() === name.trim().toLowerCase())

/** The machine with this processor: where its figures are known, they are the machine's from then on. */
export function withProcessor(machine: Machine, name: string): Machine {
  const { processor: _, ...others } = machine
  if (name.trim() === '') return others
  const known = processorNamed(machine, name)
  if (!known) return { ...others, processor: name }
  const { clocks: __, ...rest } = others
  return {
    ...rest,
    processor: known.name,
    limits: { ...machine.limits, dataRates: known.dataRates },
    ecc: known.ecc,
    syncCeiling: known.syncCeiling,
    ...(known.clocks ? { clocks: known.clocks } : {}),
  }
}

/** The machine with the figures it has now kept as those of its processor; itself where none is named. */
export function keepProcessor(machine: Machine): Machine {
  const { processor, processors = [], limits, ecc, syncCeiling, clocks } = machine
  if (!processor) return machine
  const row: ProcessorRow = {
    name: processor,
    dataRates: limits.dataRates,
    ecc,
    syncCeiling,
    ...(clocks ? { clocks } : {}),
  }
  const others = processors.filter((one) => one !== processorNamed(machine, processor))
  return { ...machine, processors: [...others, row] }
}

/** Whether the figures of a machine are those kept for its processor. */
export function isProcessorKept(machine: Machine): boolean {
  const kept = machine.processor && processorNamed(machine, machine.processor)
  return kept ? deepEqual(kept, processorNamed(keepProcessor(machine), kept.name)) : false
}
