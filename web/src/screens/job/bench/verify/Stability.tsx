import { hoursOf, testsThatCount } from '@tembrix/core/bench/diagnose'
import { countedPasses, heldBy, type SoakPlan } from '@tembrix/core/bench/soak'
import { planKey, soakOf, testableGiB } from '@tembrix/core/shop/job'
import { StabilityRun } from '@tembrix/core/things/records'
import { Trash2 } from 'lucide-react'
import { Faults, useSaveForm } from '../../../../base/form'
import { capacity, numberFrom, plural, tidy } from '../../../../base/format'
import { useTechnician } from '../../../../base/shell'
import { Button, Check, Disclosure, Field, IconButton, TextInput } from '../../../../base/ui'
import { shownWords, soakWords } from '../../../../parts/soak'
import type { Verifying } from '../../base/file'
import { useJob, useShop } from '../../base/file'

/** From this temperature of a module on its refresh rate doubles, °C. */
const HOT = 85
/** From so many modules on they stand close enough to warm each other. */
const CLOSE = 4

/** What is typed of a run; who and when is noted with it. */
const LoggedRun = StabilityRun.pick({
  test: true,
  passes: true,
  errors: true,
  hours: true,
  warm: true,
  hottest: true,
  reachedGiB: true,
})

/** Which test ran how long, with how many errors. */
export function Stability({
  verifying: { record, set },
}: {
  verifying: Pick<Verifying, 'record' | 'set'>
}) {
  const { planned } = useJob()
  const plan = planKey(planned)
  const [technician] = useTechnician()
  const form = useSaveForm(
    LoggedRun,
    {
      test: 'Memory test',
      passes: null,
      errors: 0,
      hours: null,
      warm: false,
      hottest: null,
      reachedGiB: null,
    },
    (run) => {
      const noted = { id: crypto.randomUUID(), at: new Date().toISOString(), by: technician, plan }
      set({ stability: [...record.stability, { ...run, ...noted }] })
      form.clear()
    },
  )
  const figure = (
    label: string,
    name: 'passes' | 'errors' | 'hours' | 'hottest' | 'reachedGiB',
    hint?: string,
  ) => (
    <Field label={label} hint={hint} error={form.error(name)}>
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
  const { terms } = useShop()
  const { testHours: ruleHours } = terms
  const soak = soakOf(planned, record.soak ?? null, terms)
  const counted = testsThatCount(record.stability, plan)
  const errors = counted.reduce((sum, run) => sum + run.errors, 0)
  return (
    <section aria-label="Soak test" className="border-t-2 border-rule pt-2">
      <h3 className="font-semibold">Soak test</h3>
      <Plan soak={soak} limitHours={terms.soakHours} verifying={{ record, set }} tests={counted} />
      {ruleHours !== null && (
        <p className="text-sm">
          The shop’s rule: {plural(ruleHours, 'hour')}; logged so far: {tidy(hoursOf(counted), 1)}{' '}
          h.
        </p>
      )}
      {record.stability.length === 0 ? (
        <p className="text-sm text-ink-2">No test is noted yet.</p>
      ) : (
        <>
          <ul>
            {record.stability.map((run) => (
              <li key={run.id} className="flex items-center gap-2 border-b border-rule">
                <span className="flex-1">
                  {run.test}: {plural(run.passes, 'pass', 'passes')} in {tidy(run.hours, 1)} h,{' '}
                  {run.warm && 'warm, '}
                  <b className={`font-semibold ${run.errors > 0 ? 'text-stop' : ''}`}>
                    {plural(run.errors, 'error')}
                  </b>
                  {run.hottest != null && `, ${tidy(run.hottest)} °C at the hottest`}
                  {run.reachedGiB != null && `, reached ${tidy(run.reachedGiB, 1)} GB`}
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
        <div className="col-span-4 grid grid-cols-2 gap-2">
          {figure('Hottest module, °C', 'hottest', 'Where a sensor shows it; empty: not seen.')}
          {figure('Reached, GB', 'reachedGiB', 'What the test says it tested; empty: not said.')}
        </div>
        <div className="col-span-4 flex flex-wrap items-center gap-x-4">
          <Check
            label="Warm: the case closed, from load"
            checked={form.value('warm') === true}
            onChecked={(on) => form.set('warm', on)}
          />
          <Button type="submit">Note it</Button>
        </div>
      </form>
    </section>
  )
}

interface PlanProps {
  soak: SoakPlan
  limitHours: number | null
  verifying: Pick<Verifying, 'record' | 'set'>
  tests: readonly StabilityRun[]
}

/** The test that this job asks for, how far it is, and how it is made shorter. */
function Plan({ soak, limitHours, verifying: { record, set }, tests }: PlanProps) {
  const { file, planned } = useJob()
  const gib = testableGiB(planned, file.sizing)
  const filled = Object.keys(planned.assignment).length
  const counted = countedPasses(tests, gib)
  const hot = Math.max(0, ...tests.map(({ hottest }) => hottest ?? 0))
  const made = soak.warm ? counted.warm : counted.passes
  const cut = record.soak
  return (
    <>
      <p data-held={heldBy(soak, tests, gib)}>
        <b className="font-semibold">Planned: {soakWords(soak)}.</b> It would show{' '}
        {shownWords(soak.shows)}, 95 times in 100. Made so far: {plural(made, 'pass', 'passes')}{' '}
        that {made === 1 ? 'counts' : 'count'}
        {soak.warm && counted.passes > counted.warm
          ? `; ${counted.passes - counted.warm} more made cold`
          : ''}
        .
      </p>
      {filled >= CLOSE && (
        <p className="text-sm text-ink-2">
          {filled} modules warm each other: see that air moves over them.
        </p>
      )}
      {counted.tooMany > 0 && (
        <p className="text-sm text-risk">
          {plural(counted.tooMany, 'pass', 'passes')} noted cannot have been made of {capacity(gib)}{' '}
          in that time, and {counted.tooMany === 1 ? 'does' : 'do'} not count.
        </p>
      )}
      {hot > HOT && (
        <p className="text-sm text-risk">
          {tidy(hot)} °C: above {HOT} °C memory has to be refreshed twice as often, and faults come
          sooner. Move air over the modules, and test once more.
        </p>
      )}
      {counted.partly > 0 && (
        <p className="text-sm text-risk">
          {plural(counted.partly, 'pass', 'passes')} did not reach all of {capacity(gib)}, and{' '}
          {counted.partly === 1 ? 'does' : 'do'} not count. Either something keeps memory back, or a
          module holds less than it says: compare its label, its contents and what the machine
          reports.
        </p>
      )}
      {soak.tooLong && (
        <p className="text-sm text-risk">
          That is longer than the {plural(limitHours ?? 0, 'hour')} the shop takes for it. It may be
          made shorter with a reason, which the report repeats.
        </p>
      )}
      <Disclosure
        className="text-[0.93rem]"
        summary={cut ? `Shortened to ${plural(cut.passes, 'pass', 'passes')}` : 'Make it shorter'}
      >
        <div className="grid grid-cols-[6rem_1fr_auto] items-end gap-2 pb-2">
          <Field label="Passes">
            {(control) => (
              <TextInput
                {...control}
                inputMode="numeric"
                value={cut?.passes ?? ''}
                onValue={(text) => {
                  const passes = Math.round(Number(text))
                  if (passes >= 1 && passes <= 100) {
                    set({ soak: { passes, reason: cut?.reason ?? '' } })
                  }
                }}
              />
            )}
          </Field>
          <Field label="Reason, repeated in the report">
            {(control) => (
              <TextInput
                {...control}
                value={cut?.reason ?? ''}
                onValue={(reason) =>
                  set({ soak: { passes: cut?.passes ?? 1, reason: reason.slice(0, 200) } })
                }
              />
            )}
          </Field>
          {cut && <Button onClick={() => set({ soak: null })}>As asked: {soak.asked}</Button>}
        </div>
        {cut && cut.reason.trim() === '' && (
          <p className="text-sm text-risk">Without a reason it stays at {soak.asked} passes.</p>
        )}
      </Disclosure>
    </>
  )
}
