import { COMPLAINTS, DISKS } from '@tembrix/core/sizing'
import type { RecordForm } from '../../../base/form'
import { CHOICES, numberFrom } from '../../../base/format'
import { Check, Field, Select, TextInput } from '../../../base/ui'
import { useJob } from '../file'

/** What else decides whether memory is the right spend. */
export function Surroundings({ form }: { form: RecordForm }) {
  const { file } = useJob()
  const { disk, slow, integratedGraphics } = file.sizing
  return (
    <section aria-label="What else there is" className="flex flex-col gap-1">
      <Field label="The disk that the system is on">
        {(control) => (
          <Select
            {...control}
            value={disk}
            options={DISKS.map((value) => ({ value, label: CHOICES.disk[value] }))}
            onValue={(value) => form.set(value, 'sizing', 'disk')}
          />
        )}
      </Field>
      <Field
        label="Must still serve, years"
        hint="The same work wants more each year, by the shop’s table of uses."
        error={form.error('sizing', 'years')}
      >
        {(control) => (
          <TextInput
            {...control}
            inputMode="numeric"
            value={form.value('sizing', 'years')}
            onValue={(text) => form.set(numberFrom(text), 'sizing', 'years')}
          />
        )}
      </Field>
      <Check
        label="Integrated graphics"
        hint="Borrows from the main memory, and is bound by its bandwidth."
        checked={integratedGraphics}
        onChecked={(on) => form.set(on, 'sizing', 'integratedGraphics')}
      />
      <fieldset>
        <legend className="text-sm font-semibold">What is slow?</legend>
        <div className="grid grid-cols-2 gap-x-3">
          {COMPLAINTS.map((one) => (
            <Check
              key={one}
              label={CHOICES.slow[one]}
              checked={slow.includes(one)}
              onChecked={(on) =>
                form.set(
                  on ? [...slow, one] : slow.filter((other) => other !== one),
                  'sizing',
                  'slow',
                )
              }
            />
          ))}
        </div>
      </fieldset>
    </section>
  )
}
