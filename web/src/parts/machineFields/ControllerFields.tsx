import { isProcessorKept, keepProcessor, withProcessor } from '@tembrix/core/things/machines'
import {
  BUFFERINGS,
  type Buffering,
  CLOCKINGS,
  ECC_POLICIES,
  FORM_FACTORS,
  fasteningOf,
  GENERATIONS,
  INTERLEAVES,
  type Machine,
} from '@tembrix/core/things/model'
import { Sourced } from '@tembrix/core/things/records'
import type { RecordForm } from '../../base/form'
import { CHOICES, numberFrom } from '../../base/format'
import { Button, Check, Field, Select, TextInput } from '../../base/ui'
import { formOf } from '../board'
import { SourceOf, type Sourcing, typedIn } from './SourceOf'

interface Props {
  form: RecordForm
  machine: Machine
  sourcing: Sourcing
}

/** What the controller and the firmware do with the modules. */
export function ControllerFields({ form, machine, sourcing }: Props) {
  const set = (field: keyof Machine, value: unknown) => {
    form.set(value, 'machine', field)
    const sourced = Sourced.safeParse(field)
    if (sourced.success) typedIn(sourcing, sourced.data)
  }
  const source = (what: Sourced, label: string) => (
    <SourceOf what={what} label={label} sourcing={sourcing} />
  )
  const words = (values: readonly string[]) => values.map((value) => ({ value, label: value }))
  const volts = form.value('machine', 'voltages')
  return (
    <div className="grid grid-cols-2 gap-3">
      <Field label="Generation" aside={source('generation', 'the generation')}>
        {(control) => (
          <Select
            {...control}
            value={machine.generation as string}
            options={words(GENERATIONS)}
            onValue={(value) => set('generation', value)}
          />
        )}
      </Field>
      <Field label="Form factor" aside={source('formFactor', 'the form factor')}>
        {(control) => (
          <Select
            {...control}
            value={machine.formFactor as string}
            options={FORM_FACTORS.map((value) => ({ value, label: formOf({ formFactor: value }) }))}
            onValue={(value) => set('formFactor', value)}
          />
        )}
      </Field>
      <Field
        label="Voltages, V"
        aside={source('voltages', 'the voltages')}
        hint="Several with a space between."
        error={voltageFault(form)}
      >
        {(control) => (
          <TextInput
            {...control}
            value={Array.isArray(volts) ? volts.join(' ') : volts}
            onValue={(text) => set('voltages', text.trim().split(/\s+/).map(numberFrom))}
          />
        )}
      </Field>
      <Field
        label="Firmware limit, MT/s"
        aside={source('firmwareDataRate', 'the firmware limit')}
        hint="Empty: none known."
        error={form.error('machine', 'limits', 'firmwareDataRate') && 'Enter a speed in MT/s.'}
      >
        {(control) => (
          <TextInput
            {...control}
            inputMode="numeric"
            value={form.value('machine', 'limits', 'firmwareDataRate')}
            onValue={(text) => {
              form.set(numberFrom(text), 'machine', 'limits', 'firmwareDataRate')
              typedIn(sourcing, 'firmwareDataRate')
            }}
          />
        )}
      </Field>
      <div className="col-span-2 flex flex-col gap-1">
        <Field
          label="Processor"
          aside={source('processor', 'the processor')}
          hint="Name and series. The controller’s ratings, ECC and clocks hang on it."
          error={form.error('machine', 'processor') && 'At most 120 letters.'}
        >
          {(control) => (
            <TextInput
              {...control}
              value={form.value('machine', 'processor') ?? ''}
              onValue={(text) => set('processor', text === '' ? undefined : text)}
            />
          )}
        </Field>
        <div className="flex flex-wrap gap-1.5">
          {(machine.processors ?? [])
            .filter(({ name }) => name !== machine.processor)
            .map(({ name }) => (
              <Button key={name} onClick={() => form.set(withProcessor(machine, name), 'machine')}>
                Figures of {name}
              </Button>
            ))}
          {machine.processor && !isProcessorKept(machine) && (
            <Button onClick={() => form.set(keepProcessor(machine), 'machine')}>
              Keep these figures for it
            </Button>
          )}
        </div>
      </div>
      <Field
        label="Channel interleaving"
        aside={source('interleave', 'the spread over channels')}
        className="col-span-2"
      >
        {(control) => (
          <Select
            {...control}
            value={machine.interleave}
            options={INTERLEAVES.map((value) => ({ value, label: CHOICES.interleave[value] }))}
            onValue={(value) => set('interleave', value)}
          />
        )}
      </Field>
      <Field label="ECC" aside={source('ecc', 'ECC')}>
        {(control) => (
          <Select
            {...control}
            value={machine.ecc}
            options={ECC_POLICIES.map((value) => ({ value, label: CHOICES.ecc[value] }))}
            onValue={(value) => set('ecc', value)}
          />
        )}
      </Field>
      <Field
        label="Synchronous (1:1) up to, MT/s"
        aside={source('syncCeiling', 'the ceiling')}
        hint="Empty: none known."
        error={form.error('machine', 'syncCeiling') && 'Enter a speed in MT/s.'}
      >
        {(control) => (
          <TextInput
            {...control}
            inputMode="numeric"
            value={form.value('machine', 'syncCeiling')}
            onValue={(text) => set('syncCeiling', numberFrom(text))}
          />
        )}
      </Field>
      <Field
        label="Clocks of this platform"
        aside={source('clocks', 'the clocks')}
        className="col-span-2"
      >
        {(control) => (
          <Select
            {...control}
            value={machine.clocks ?? ''}
            options={[
              { value: '', label: 'unknown' },
              ...CLOCKINGS.map((value) => ({ value, label: CHOICES.clocks[value] })),
            ]}
            onValue={(value) => set('clocks', value === '' ? undefined : value)}
          />
        )}
      </Field>
      {machine.formFactor === 'DIMM' && (
        <Field
          label="Height beneath the cooler, mm"
          hint="For a module with its heat spreader. Empty: nothing above, or not known."
          error={form.error('machine', 'clearanceMm') && 'Between 10 and 200 mm.'}
          className="col-span-2"
        >
          {(control) => (
            <TextInput
              {...control}
              inputMode="decimal"
              value={form.value('machine', 'clearanceMm') ?? ''}
              onValue={(text) => set('clearanceMm', text === '' ? undefined : numberFrom(text))}
            />
          )}
        </Field>
      )}
      {machine.formFactor === 'DIMM' && (
        <Field
          label="What holds the modules"
          aside={source('fastening', 'what holds the modules')}
          className="col-span-2"
        >
          {(control) => (
            <Select
              {...control}
              value={fasteningOf(machine)}
              options={(['latches', 'latch-one-end'] as const).map((value) => ({
                value,
                label: CHOICES.fastening[value],
              }))}
              onValue={(value) => set('fastening', value)}
            />
          )}
        </Field>
      )}
      {machine.buffering.includes('unbuffered') && (
        <Field
          label="Unbuffered modules of four bits a chip"
          aside={source('refusesX4', 'modules of four bits a chip')}
          hint="Sold as high density; ordinary desktop controllers refuse them."
          className="col-span-2"
        >
          {(control) => (
            <Select
              {...control}
              value={machine.refusesX4 === undefined ? '' : machine.refusesX4 ? 'no' : 'yes'}
              options={[
                { value: '', label: 'not known' },
                { value: 'no', label: 'refuses them' },
                { value: 'yes', label: 'takes them' },
              ]}
              onValue={(value) => set('refusesX4', value === '' ? undefined : value === 'no')}
            />
          )}
        </Field>
      )}
      <fieldset className="col-span-2">
        <legend className="text-sm font-semibold">Module buffering it works with</legend>
        <div className="grid grid-cols-2">
          {BUFFERINGS.map((kind) => (
            <Check
              key={kind}
              label={kind}
              checked={machine.buffering.includes(kind)}
              disabled={machine.buffering.length === 1 && machine.buffering[0] === kind}
              onChecked={(on) => set('buffering', toggled(machine.buffering, kind, on))}
            />
          ))}
        </div>
      </fieldset>
      <div className="col-span-2">
        <Check
          label="Firmware can set a memory profile"
          checked={machine.profiles}
          onChecked={(on) => set('profiles', on)}
        />
        {source('profiles', 'the memory profile')}
      </div>
      {machine.profiles && (
        <Field
          label="The memory profile’s name in this machine’s setup"
          hint="As it stands there; the steps at the bench name it so."
          className="col-span-2"
        >
          {(control) => (
            <TextInput
              {...control}
              value={form.value('machine', 'profileName') ?? ''}
              onValue={(text) => set('profileName', text === '' ? undefined : text)}
            />
          )}
        </Field>
      )}
      <div className="col-span-2">
        <Check
          label="Known to be sensitive to mixed modules"
          checked={machine.touchy ?? false}
          onChecked={(on) => set('touchy', on)}
        />
      </div>
    </div>
  )
}

function toggled(kinds: Buffering[], kind: Buffering, on: boolean): Buffering[] {
  return on ? [...kinds, kind] : kinds.filter((one) => one !== kind)
}

function voltageFault(form: RecordForm): string | undefined {
  const faults = [form.error('machine', 'voltages')]
  for (let at = 0; at < 8; at += 1) faults.push(form.error('machine', 'voltages', at))
  return faults.some(Boolean) ? 'Write volts as 1.2 or 1.35 1.5.' : undefined
}
