import { MACHINE_KINDS, type Machine } from '@tembrix/core/things/model'
import type { RecordForm } from '../../base/form'
import { CHOICES } from '../../base/format'
import { Field, Select, TextInput } from '../../base/ui'

interface Props {
  form: RecordForm
  machine: Machine
  label: string
  className?: string
}

/** What a machine is called and of which kind it is. */
export function NameFields({ form, machine, label, className = '' }: Props) {
  return (
    <>
      <Field label={label} className={className} error={form.error('machine', 'name')}>
        {(control) => (
          <TextInput
            {...control}
            value={form.value('machine', 'name')}
            onValue={(text) => form.set(text, 'machine', 'name')}
          />
        )}
      </Field>
      <Field label="Kind">
        {(control) => (
          <Select
            {...control}
            value={machine.kind}
            options={MACHINE_KINDS.map((value) => ({ value, label: CHOICES.kind[value] }))}
            onValue={(kind) => form.set(kind, 'machine', 'kind')}
          />
        )}
      </Field>
    </>
  )
}
