import { DISK_SLOTS, DUST, Inside, type Machine } from '@tembrix/core/things/model'
import type { RecordForm } from '../../base/form'
import { CHOICES } from '../../base/format'
import { Field, Select, TextInput } from '../../base/ui'

const NOT_LOOKED = ''
const NOTHING = Inside.parse({})

/** Fields for findings under the cover. */
export function InsideFields({ form, machine }: { form: RecordForm; machine: Machine }) {
  const inside = machine.inside ?? NOTHING
  const set = (changes: Partial<Inside>) => form.set({ ...inside, ...changes }, 'machine', 'inside')
  const choice = <T extends string>(
    label: string,
    value: T | null,
    values: readonly T[],
    words: Record<T, string>,
    onValue: (value: T | null) => void,
  ) => (
    <Field label={label}>
      {(control) => (
        <Select
          {...control}
          value={value ?? NOT_LOOKED}
          options={[
            { value: NOT_LOOKED, label: 'not looked' },
            ...values.map((one) => ({ value: one as string, label: words[one] })),
          ]}
          onValue={(next) => onValue(next === NOT_LOOKED ? null : (next as T))}
        />
      )}
    </Field>
  )
  const text = (label: string, field: 'diskSize' | 'radioCard', hint: string) => (
    <Field label={label} hint={hint} error={form.error('machine', 'inside', field)}>
      {(control) => (
        <TextInput
          {...control}
          value={inside[field]}
          onValue={(typed) => set({ [field]: typed })}
        />
      )}
    </Field>
  )
  return (
    <div className="grid grid-cols-2 gap-3">
      {choice('A further disk slot', inside.diskSlot, DISK_SLOTS, CHOICES.diskSlot, (diskSlot) =>
        set({ diskSlot }),
      )}
      {text('Its kind and size', 'diskSize', 'As M.2 2280, or 2.5 inch.')}
      {text('Radio card', 'radioCard', 'Its kind, and whether it is in the way.')}
      {choice('Dust', inside.dust, DUST, CHOICES.dust, (dust) => set({ dust }))}
    </div>
  )
}
