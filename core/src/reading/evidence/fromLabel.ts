import { usualMachineFor } from '../../things/machines'
import type { FormFactor, Machine, Module } from '../../things/model'
import { modulesRead } from '../facts'
import { read } from '../inputs'
import { type Assumed, complete, missingIn } from './moduleBelieved'

/** A module as its label says it, without a machine round it. */
export interface FromLabel {
  /** Null where the label does not say enough, or makes no module. */
  module: Module | null
  assumed: Assumed[]
  /** Whether the form factor is not printed and must be asked for. */
  asksForm: boolean
  /** How many are packaged together; 1 for a single module. */
  pieces: number
}

/**
 * The modules that labels describe. A form factor that is not printed is taken from `formFactor`, which
 * is asked for; what else is missing is as usual in `machine`, or in one that takes such modules.
 */
export function fromLabels(
  text: string,
  formFactor: FormFactor | null,
  machine?: Machine,
): FromLabel[] {
  return modulesRead(read(text).observations).map(({ said }) => {
    const asksForm = said.formFactor === undefined
    const figures = asksForm && formFactor ? { ...said, formFactor } : said
    const done =
      missingIn(figures, { inMachine: false }).length > 0
        ? null
        : complete(figures, { machine: machine ?? usualMachineFor(figures), inMachine: false })
    return {
      module: done?.module ?? null,
      assumed: done?.assumed ?? [],
      asksForm,
      pieces: said.kit?.size ?? 1,
    }
  })
}
