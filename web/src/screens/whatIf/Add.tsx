import { fromLabels } from '@tembrix/core/reading/evidence'
import {
  type FormFactor,
  type Machine,
  type Module,
  plainName,
  STANDARD_STEPS,
} from '@tembrix/core/things/model'
import { SlidersHorizontal } from 'lucide-react'
import { useState } from 'react'
import { Button, Field, Select, TextInput } from '../../base/ui'
import {
  draftOf,
  FormFactorField,
  likelyModule,
  ModuleDialog,
  moduleOf,
} from '../../parts/machineFields'
import { useTry } from './useWhatIf'

const SIZES = [2, 4, 8, 16, 24, 32, 48, 64]

/** Says which modules: a size at a rate goes into the next slot at one press, or a label, or every figure. */
export function Add({ machine }: { machine: Machine }) {
  const { add } = useTry()
  const usual = likelyModule(machine)
  const steps = STANDARD_STEPS[machine.generation]
  const [rate, setRate] = useState(String(usual.speeds[0]?.dataRate ?? steps[0]))
  const [label, setLabel] = useState('')
  const [form, setForm] = useState<FormFactor | null>(null)
  const [dialog, setDialog] = useState(false)
  const sizes = SIZES.filter((gib) => gib <= machine.limits.slotGiB)

  function put(capacityGiB: number) {
    const ranks = capacityGiB >= 32 || (machine.generation === 'DDR4' && capacityGiB >= 16) ? 2 : 1
    const module = moduleOf({ ...usual, capacityGiB, ranks }, Number(rate))
    if (module) add({ ...module, article: plainName(module) })
  }

  const found = label.trim() === '' ? [] : fromLabels(label, form, machine)
  const modules = found.flatMap(({ module, pieces }) =>
    module ? Array.from({ length: pieces }, () => module) : [],
  )
  const asksForm = found.some((one) => one.asksForm)
  return (
    <section aria-label="Modules">
      <div className="grid grid-cols-[1fr_6.5rem] gap-x-2">
        <div>
          <h2 className="text-sm font-semibold">Into the next slot, GB</h2>
          <div className="mt-1 flex flex-wrap gap-1.5">
            {sizes.map((gib) => (
              <Button
                key={gib}
                className="min-w-11 px-2"
                aria-label={`Put in ${gib} GB`}
                onClick={() => put(gib)}
              >
                {gib}
              </Button>
            ))}
          </div>
        </div>
        <Field label="at MT/s">
          {(control) => (
            <Select
              {...control}
              value={rate}
              options={steps.map((step) => ({ value: String(step), label: String(step) }))}
              onValue={setRate}
            />
          )}
        </Field>
      </div>
      <form
        className="mt-2 flex items-end gap-2"
        onSubmit={(event) => {
          event.preventDefault()
          for (const module of modules) add(module)
          if (modules.length > 0) setLabel('')
        }}
      >
        <Field
          label="or by its label"
          className="flex-1"
          error={label.trim().length > 8 && found.length === 0 ? 'Not a label yet.' : undefined}
        >
          {(control) => (
            <TextInput
              {...control}
              className="font-mono"
              placeholder="8GB 1Rx8 PC4-3200AA"
              value={label}
              onValue={(text) => setLabel(text.slice(0, 2000))}
            />
          )}
        </Field>
        <Button type="submit" disabled={modules.length === 0}>
          Put in
        </Button>
        <Button
          aria-label="Enter every figure of a module"
          title="Every figure"
          onClick={() => setDialog(true)}
        >
          <SlidersHorizontal size={18} aria-hidden />
        </Button>
      </form>
      {asksForm && <FormFactorField value={form} onValue={setForm} />}
      {dialog && (
        <ModuleDialog
          title="A module"
          action="Put in"
          start={modules[0] ? draftOf(modules[0]) : usual}
          onDone={(module: Module) => {
            add(module)
            setDialog(false)
          }}
          onClose={() => setDialog(false)}
        />
      )}
    </section>
  )
}
