import { Button, Field, Select } from '../../../../base/ui'
import {
  BATTERY_OPTIONS,
  HATCH_OPTIONS,
  LAPTOP_HATCH_OPTIONS,
} from '../../../../parts/machineFields'
import { useJob } from '../../base/file'
import type { Fitting } from './useFit'

/** Whether this machine still has to be asked how it is opened: until then the more careful way is shown. */
const isOpeningOpen = ({ kind }: { kind: string }, hatch: boolean | null): boolean =>
  kind === 'all-in-one' && hatch === null

/** Asks before the first step what decides the whole way in. */
export function AskHatch({ fitting: { fit, model, set } }: { fitting: Fitting }) {
  const { machine } = useJob()
  if (!isOpeningOpen(machine, fit.hatch ?? model?.hatch ?? null)) return null
  return (
    <section
      aria-label="Hatch or display"
      className="flex flex-wrap items-center gap-2 border-l-8 border-gold-line bg-gold-soft px-4 py-2"
    >
      <p className="flex-1 basis-56">
        <b className="font-semibold">Behind a hatch, or behind the display?</b> Look before anything
        is loosened. Until then the steps take it for the display.
      </p>
      <Button onClick={() => set({ hatch: true })}>A hatch</Button>
      <Button onClick={() => set({ hatch: false })}>The display</Button>
    </section>
  )
}

/** How this machine is opened and its battery cut off; the model's record has it for the next one. */
export function OpenedBy({ fitting: { fit, model, set } }: { fitting: Fitting }) {
  const { machine } = useJob()
  const hatch = fit.hatch ?? model?.hatch ?? null
  const isLaptop = machine.kind === 'laptop'
  if (!isLaptop && machine.kind !== 'all-in-one') return null
  return (
    <>
      <Field label="The slots are behind">
        {(control) => (
          <Select
            {...control}
            value={hatch === null ? '' : hatch ? 'hatch' : 'other'}
            options={isLaptop ? LAPTOP_HATCH_OPTIONS : HATCH_OPTIONS}
            onValue={(value) => set({ hatch: value === '' ? null : value === 'hatch' })}
          />
        )}
      </Field>
      {isLaptop && (
        <Field label="The battery">
          {(control) => (
            <Select
              {...control}
              value={fit.battery ?? model?.battery ?? ''}
              options={BATTERY_OPTIONS}
              onValue={(value) => set({ battery: value === '' ? null : value })}
            />
          )}
        </Field>
      )}
    </>
  )
}
