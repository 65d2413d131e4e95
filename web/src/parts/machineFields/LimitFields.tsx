import { type Machine, type RatingRow, SYSTEM_BITS } from '@tembrix/core/things/model'
import type { Sourced } from '@tembrix/core/things/records'
import { Plus, Trash2 } from 'lucide-react'
import type { RecordForm } from '../../base/form'
import { numberFrom } from '../../base/format'
import { Button, Field, IconButton, Select, TextInput } from '../../base/ui'
import { SourceOf, type Sourcing, typedIn } from './SourceOf'

const AMOUNT = 'Enter an amount that can be.'

/** How much the machine takes and how fast each load may run. */
interface Props {
  form: RecordForm
  machine: Machine
  sourcing: Sourcing
}

export function LimitFields({ form, machine, sourcing }: Props) {
  const rows = form.value('machine', 'limits', 'dataRates') as RatingRow[]
  const number = (label: string, field: Sourced, hint?: string) => (
    <Field
      label={label}
      hint={hint}
      error={form.error('machine', 'limits', field) && AMOUNT}
      aside={<SourceOf what={field} label={label} sourcing={sourcing} />}
    >
      {(control) => (
        <TextInput
          {...control}
          inputMode="decimal"
          value={form.value('machine', 'limits', field)}
          onValue={(text) => {
            form.set(numberFrom(text), 'machine', 'limits', field)
            typedIn(sourcing, field)
          }}
        />
      )}
    </Field>
  )
  const cell = (at: number, field: keyof RatingRow, label: string) => (
    <TextInput
      id={`rating-${at}-${field}`}
      aria-label={`${label}, row ${at + 1}`}
      aria-describedby={undefined}
      aria-invalid={form.error('machine', 'limits', 'dataRates', at, field) !== undefined}
      inputMode="numeric"
      className="px-1.5"
      value={rows[at]?.[field]}
      onValue={(text) => {
        form.set(numberFrom(text), 'machine', 'limits', 'dataRates', at, field)
        typedIn(sourcing, 'dataRates')
      }}
    />
  )
  return (
    <div className="flex flex-col gap-3">
      <div className="grid grid-cols-2 gap-3">
        {number('In all, GB', 'totalGiB')}
        {number('One slot, GB', 'slotGiB')}
        <Field
          label="System"
          hint="A 32-bit one uses about 4 GB."
          aside={<SourceOf what="systemBits" label="the system" sourcing={sourcing} />}
        >
          {(control) => (
            <Select
              {...control}
              value={String(machine.systemBits ?? '')}
              options={[
                { value: '', label: 'not known' },
                ...SYSTEM_BITS.map((bits) => ({ value: String(bits), label: `${bits}-bit` })),
              ]}
              onValue={(value) => {
                form.set(value === '' ? undefined : Number(value), 'machine', 'systemBits')
                typedIn(sourcing, 'systemBits')
              }}
            />
          )}
        </Field>
        {number('System uses at most, GB', 'osGiB', 'Its edition’s limit. Empty: none known.')}
        {number('Chip density, Gbit', 'dieGbit', 'Old controllers. Empty: any.')}
      </div>
      <table className="w-full border-collapse text-left text-sm">
        <caption className="pb-1 text-left font-semibold">
          What the controller is rated for, by the load on a channel
        </caption>
        <thead>
          <tr>
            <th className="pr-1 font-semibold">Modules</th>
            <th className="pr-1 font-semibold">Ranks each</th>
            <th className="pr-1 font-semibold">MT/s</th>
            <th />
          </tr>
        </thead>
        <tbody>
          {rows.map((_, at) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: rows have no name and keep their places
            <tr key={at}>
              <td className="py-0.5 pr-1">{cell(at, 'modulesPerChannel', 'Modules')}</td>
              <td className="py-0.5 pr-1">{cell(at, 'ranks', 'Ranks')}</td>
              <td className="py-0.5 pr-1">{cell(at, 'dataRate', 'Speed')}</td>
              <td className="w-11">
                <IconButton
                  label={`Remove row ${at + 1}`}
                  disabled={rows.length === 1}
                  onClick={() =>
                    form.set(
                      rows.filter((_, other) => other !== at),
                      'machine',
                      'limits',
                      'dataRates',
                    )
                  }
                  look="remove"
                >
                  <Trash2 size={17} aria-hidden />
                </IconButton>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <SourceOf what="dataRates" label="the speeds" sourcing={sourcing} />
      <Button
        className="self-start"
        onClick={() =>
          form.set([...rows, { ...(rows.at(-1) as RatingRow) }], 'machine', 'limits', 'dataRates')
        }
      >
        <Plus size={16} aria-hidden /> Row
      </Button>
    </div>
  )
}
