import { hoursOf, testsThatCount } from '@tembrix/core/bench/diagnose'
import { planKey } from '@tembrix/core/shop/job'
import { StabilityRun } from '@tembrix/core/things/records'
import { Trash2 } from 'lucide-react'
import { Faults, useSaveForm } from '../../../../base/form'
import { numberFrom, plural, tidy } from '../../../../base/format'
import { useTechnician } from '../../../../base/shell'
import { Button, Field, IconButton, TextInput } from '../../../../base/ui'
import type { Verifying } from '../../base/file'
import { useJob, useShop } from '../../base/file'

/** What is typed of a run; who and when is noted with it. */
const LoggedRun = StabilityRun.pick({ test: true, passes: true, errors: true, hours: true })

/** Which test ran how long, with how many errors. */
export function Stability({ verifying: { record, set } }: { verifying: Verifying }) {
  const { planned } = useJob()
  const plan = planKey(planned)
  const [technician] = useTechnician()
  const form = useSaveForm(
    LoggedRun,
    { test: 'Memory test', passes: null, errors: 0, hours: null },
    (run) => {
      const noted = { id: crypto.randomUUID(), at: new Date().toISOString(), by: technician, plan }
      set({ stability: [...record.stability, { ...run, ...noted }] })
      form.clear()
    },
  )
  const figure = (label: string, name: 'passes' | 'errors' | 'hours') => (
    <Field label={label} error={form.error(name)}>
      {(control) => (
        <TextInput
          {...control}
          inputMode="decimal"
          value={form.value(name)}
          onValue={(text) => form.set(name, numberFrom(text))}
        />
      )}
    </Field>
  )
  const { testHours: ruleHours } = useShop().terms
  const counted = testsThatCount(record.stability, plan)
  const errors = counted.reduce((sum, run) => sum + run.errors, 0)
  return (
    <section aria-label="Stability" className="border-t-2 border-rule pt-2">
      <h3 className="font-semibold">Stability</h3>
      {ruleHours !== null && (
        <p className="text-sm">
          The shop’s rule: {plural(ruleHours, 'hour')}; logged so far: {tidy(hoursOf(counted), 1)}{' '}
          h.
        </p>
      )}
      {record.stability.length === 0 ? (
        <p className="text-sm text-ink-2">
          Several passes before it is handed over; a profile that starts may still fail later.
        </p>
      ) : (
        <>
          <ul>
            {record.stability.map((run) => (
              <li key={run.id} className="flex items-center gap-2 border-b border-rule">
                <span className="flex-1">
                  {run.test}: {plural(run.passes, 'pass', 'passes')} in {tidy(run.hours, 1)} h,{' '}
                  <b className={`font-semibold ${run.errors > 0 ? 'text-stop' : ''}`}>
                    {plural(run.errors, 'error')}
                  </b>
                  {run.by && ` · ${run.by}`}
                  {!counted.includes(run) && (
                    <span className="text-sm text-ink-2">
                      {' '}
                      {run.plan !== undefined && run.plan !== plan
                        ? 'with other modules than planned now; not counted'
                        : 'superseded, kept as evidence'}
                    </span>
                  )}
                </span>
                <IconButton
                  label={`Remove ${run.test}`}
                  onClick={() =>
                    set({ stability: record.stability.filter(({ id }) => id !== run.id) })
                  }
                  look="remove"
                >
                  <Trash2 size={16} aria-hidden />
                </IconButton>
              </li>
            ))}
          </ul>
          {errors > 0 && (
            <p className="font-medium text-stop">Not to be handed over: find the fault first.</p>
          )}
        </>
      )}
      <form
        noValidate
        className="mt-2 grid grid-cols-[2fr_1fr_1fr_1fr] items-start gap-2"
        onSubmit={form.submit}
      >
        <div className="col-span-4 empty:hidden">
          <Faults count={form.faults} />
        </div>
        <Field label="Test" error={form.error('test')}>
          {(control) => (
            <TextInput
              {...control}
              value={form.value('test')}
              onValue={(test) => form.set('test', test)}
            />
          )}
        </Field>
        {figure('Passes', 'passes')}
        {figure('Errors', 'errors')}
        {figure('Hours', 'hours')}
        <Button type="submit" className="col-span-4 justify-self-start">
          Note it
        </Button>
      </form>
    </section>
  )
}
