import {
  BUFFERINGS,
  FORM_FACTORS,
  GENERATIONS,
  type Generation,
  type Module,
  STANDARD_STEPS,
} from '@tembrix/core/things/model'
import { type ReactNode, useState } from 'react'
import { Faults, useSaveForm } from '../../base/form'
import { numberFrom } from '../../base/format'
import { Button, Check, Dialog, Disclosure, Field, Select, TextInput } from '../../base/ui'
import { formOf } from '../board'
import {
  atRate,
  inGeneration,
  type ModuleDraft,
  ModuleForm,
  profilesOf,
  withProfile,
} from './moduleForm'

interface Props {
  title: string
  action: string
  start: ModuleDraft
  /** Slots the module may go into straight away. */
  slots?: readonly string[]
  /** A further thing to do, beside the buttons. */
  extra?: ReactNode
  onDone: (module: Module, slot: string | null) => void
  onClose: () => void
}

const TIMINGS = ['cl', 'trcd', 'trp', 'tras'] as const
const TIMING_NAMES = { cl: 'CL', trcd: 'tRCD', trp: 'tRP', tras: 'tRAS' }
const CAPACITIES = [2, 4, 8, 16, 24, 32, 48, 64]

const sameWords = (values: readonly string[]) => values.map((value) => ({ value, label: value }))

/** A module's figures, filled in as they are likely to be; only what differs need be typed. */
export function ModuleDialog({ title, action, start, slots = [], extra, onDone, onClose }: Props) {
  const own = { generation: start.generation as Generation, voltages: start.voltages as number[] }
  const [slot, setSlot] = useState(slots[0] ?? '')
  const form = useSaveForm(ModuleForm, start, (module) => onDone(module, slot === '' ? null : slot))
  const { set, value, error } = form
  const draft = form.values() as ModuleDraft

  /** An optional figure is left out where nothing is typed. */
  const number = (label: string, path: string, isOptional = false) => (
    <Field label={label} error={error(path)}>
      {(control) => (
        <TextInput
          {...control}
          inputMode="decimal"
          value={value(path)}
          onValue={(text) => set(path, numberFrom(text) ?? (isOptional ? undefined : null))}
        />
      )}
    </Field>
  )
  const generation = draft.generation as Generation
  const rate = value('speeds.0.dataRate')
  const profile = profilesOf(draft).length > 0
  const profileAt = draft.speeds.findIndex(({ kind }) => kind === 'profile')
  const ofProfile = ['dataRate', 'voltage', ...TIMINGS].map((name) => `speeds.${profileAt}.${name}`)
  const folded = ['article', 'voltages.0', ...(profile ? ofProfile : [])]

  return (
    <Dialog open onOpen={(open) => !open && onClose()} title={title}>
      <form onSubmit={form.submit} noValidate className="flex flex-col gap-4">
        <Faults count={form.faults} />
        <fieldset>
          <legend className="mb-1 text-sm font-semibold">Capacity</legend>
          <div className="flex flex-wrap items-start gap-1.5">
            {CAPACITIES.map((gib) => (
              <Button
                key={gib}
                aria-pressed={draft.capacityGiB === gib}
                look={draft.capacityGiB === gib ? 'main' : 'plain'}
                onClick={() => set('capacityGiB', gib)}
              >
                {gib}
              </Button>
            ))}
            <div className="w-28">
              <TextInput
                id="capacity"
                aria-label="Capacity in GB"
                aria-invalid={error('capacityGiB') !== undefined}
                aria-describedby="capacity-fault"
                inputMode="decimal"
                value={draft.capacityGiB}
                onValue={(text) => set('capacityGiB', numberFrom(text))}
              />
            </div>
            <span className="self-center">GB</span>
          </div>
          <p id="capacity-fault" className="text-sm font-medium text-stop">
            {error('capacityGiB')}
          </p>
        </fieldset>

        <div className="grid grid-cols-2 gap-3 sm:grid-cols-4">
          <Field label="Generation">
            {(control) => (
              <Select
                {...control}
                value={generation}
                options={sameWords(GENERATIONS)}
                onValue={(value) => form.fill(inGeneration(draft, value as Generation, own))}
              />
            )}
          </Field>
          <Field label="Speed, MT/s" error={error('speeds.0.dataRate')}>
            {(control) => (
              <Select
                {...control}
                value={String(rate)}
                options={sameWords(ratesWith(generation, rate))}
                onValue={(value) => form.fill(atRate(draft, Number(value)))}
              />
            )}
          </Field>
          {number('Ranks', 'ranks')}
          <Field label="Device width" error={error('deviceWidth')}>
            {(control) => (
              <Select
                {...control}
                value={String(draft.deviceWidth)}
                options={['4', '8', '16', '32', '64'].map((value) => ({
                  value,
                  label: `×${value}`,
                }))}
                onValue={(value) => set('deviceWidth', Number(value))}
              />
            )}
          </Field>
          {TIMINGS.map((timing) => (
            <div key={timing}>{number(TIMING_NAMES[timing], `speeds.0.${timing}`)}</div>
          ))}
        </div>

        <Disclosure
          open={folded.some((path) => error(path) !== undefined)}
          summary={
            <span className="font-semibold">Part number, form factor, ECC, voltage, profile</span>
          }
        >
          <div className="mt-2 grid grid-cols-2 gap-3 sm:grid-cols-3">
            <Field
              label="Part number"
              className="col-span-full"
              hint="As on the label; left out, it is named by its figures."
              error={error('article')}
            >
              {(control) => (
                <TextInput
                  {...control}
                  value={draft.article}
                  onValue={(text) => set('article', text)}
                />
              )}
            </Field>
            <Field label="Form factor">
              {(control) => (
                <Select
                  {...control}
                  value={String(draft.formFactor)}
                  options={FORM_FACTORS.map((value) => ({
                    value,
                    label: formOf({ formFactor: value }),
                  }))}
                  onValue={(value) => set('formFactor', value)}
                />
              )}
            </Field>
            <Field label="Buffering">
              {(control) => (
                <Select
                  {...control}
                  value={String(draft.buffering)}
                  options={sameWords(BUFFERINGS)}
                  onValue={(value) => set('buffering', value)}
                />
              )}
            </Field>
            {number('Voltage without profile', 'voltages.0')}
            {number('Height, mm', 'heightMm', true)}
            <Check label="ECC" checked={draft.ecc === true} onChecked={(ecc) => set('ecc', ecc)} />
            <Check
              label="Keeps its contents without power"
              checked={draft.nonVolatile === true}
              onChecked={(on) => set('nonVolatile', on || undefined)}
            />
            <Check
              label="Carries a memory profile"
              checked={profile}
              onChecked={(on) => form.fill(withProfile(draft, on))}
            />
            {profile && (
              <>
                {number('Profile speed, MT/s', `speeds.${profileAt}.dataRate`)}
                {number('Profile voltage', `speeds.${profileAt}.voltage`)}
                {TIMINGS.map((timing) => (
                  <div key={timing}>
                    {number(`Profile ${TIMING_NAMES[timing]}`, `speeds.${profileAt}.${timing}`)}
                  </div>
                ))}
              </>
            )}
          </div>
        </Disclosure>

        {slots.length > 0 && (
          <Field label="Found in slot">
            {(control) => (
              <Select
                {...control}
                value={slot}
                options={[
                  ...slots.map((id) => ({ value: id, label: id })),
                  { value: '', label: 'none, loose in the tray' },
                ]}
                onValue={setSlot}
              />
            )}
          </Field>
        )}

        <div className="flex flex-wrap justify-end gap-3">
          {extra && <div className="mr-auto">{extra}</div>}
          <Button onClick={onClose}>Cancel</Button>
          <Button look="main" type="submit">
            {action}
          </Button>
        </div>
      </form>
    </Dialog>
  )
}

function ratesWith(generation: Generation, rate: unknown): string[] {
  const steps = STANDARD_STEPS[generation].map(String)
  return steps.includes(String(rate)) ? steps : [String(rate), ...steps]
}
