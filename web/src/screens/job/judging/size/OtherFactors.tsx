import { hasProfile } from '@tembrix/core/judging/evaluate'
import { COMPLAINTS, DISKS } from '@tembrix/core/things/model'
import type { RecordForm } from '../../../../base/form'
import { CHOICES, capacity, numberFrom } from '../../../../base/format'
import { Check, Field, Select, TextInput } from '../../../../base/ui'
import { useJob } from '../../base/file'

/** What else decides whether memory is the right spend. */
export function OtherFactors({ form }: { form: RecordForm }) {
  const { file, machine, planned } = useJob()
  const { disk, slow, integratedGraphics, graphicsGiB, profileOn } = file.sizing
  const { installedGiB } = planned.evaluation.capacity
  const profiled = file.modules.some(({ module }) => hasProfile(module))
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
      <Field
        label="Graphics"
        hint="Those in the processor borrow from the main memory, and are bound by its bandwidth."
      >
        {(control) => (
          <Select
            {...control}
            value={triState(integratedGraphics)}
            options={[
              { value: 'unknown', label: 'not asked' },
              { value: 'yes', label: 'in the processor' },
              { value: 'no', label: 'a card or chip with memory of its own' },
            ]}
            onValue={(value) => form.set(fromTriState(value), 'sizing', 'integratedGraphics')}
          />
        )}
      </Field>
      {integratedGraphics === true && (
        <Field
          label="Graphics are to take, GB"
          hint={
            graphicsGiB
              ? `${capacity(Math.max(0, installedGiB - graphicsGiB))} of ${capacity(installedGiB)} planned stay for the system.`
              : 'A value of the setup; empty: it stays as it is.'
          }
          error={form.error('sizing', 'graphicsGiB')}
        >
          {(control) => (
            <TextInput
              {...control}
              inputMode="decimal"
              value={form.value('sizing', 'graphicsGiB') ?? ''}
              onValue={(text) =>
                form.set(text === '' ? null : numberFrom(text), 'sizing', 'graphicsGiB')
              }
            />
          )}
        </Field>
      )}
      {machine.profiles && profiled && (
        <Field label="The memory profile, as the machine came in">
          {(control) => (
            <Select
              {...control}
              value={triState(profileOn)}
              options={[
                { value: 'unknown', label: 'by its system report, else unknown' },
                { value: 'yes', label: 'enabled' },
                { value: 'no', label: 'off' },
              ]}
              onValue={(value) => form.set(fromTriState(value), 'sizing', 'profileOn')}
            />
          )}
        </Field>
      )}
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

type TriState = 'unknown' | 'yes' | 'no'

const triState = (value: boolean | null): TriState =>
  value === null ? 'unknown' : value ? 'yes' : 'no'

const fromTriState = (value: TriState): boolean | null =>
  value === 'unknown' ? null : value === 'yes'
