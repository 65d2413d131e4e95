import { isCutShort, type Rung, Tried, type TuneSettings } from '@tembrix/core/judging/tune'
import { RotateCcw } from 'lucide-react'
import { useState } from 'react'
import { CHOICES, list, numberFrom, speed, tidy } from '../../../../base/format'
import { Button, callout, Disclosure, Field, TextInput } from '../../../../base/ui'
import { soakWords } from '../../../../parts/soak'
import { useJob } from '../../base/file'
import { PrintLink } from '../../base/sheet'
import type { Tuning } from './useTune'
import { changeWords, LADDER_STAGE_NAMES } from './words'

const settingsWords = ({ dataRate, timings }: TuneSettings) =>
  `${speed(dataRate)}, ${timings.cl}-${timings.trcd}-${timings.trp}-${timings.tras}`

/** One change at a time, its test, what came of it, and the way back; carried on by what was seen. */
export function LadderView({ tuning }: { tuning: Tuning }) {
  const { ladder, tried, takeBack, plan } = tuning
  const { file } = useJob()
  if (!ladder) return null
  const { next, holds, end, notWorth } = ladder
  return (
    <section aria-label="Ladder" className="flex flex-col gap-2 border-t-2 border-rule pt-2">
      <h3 className="font-semibold">The ladder: one change, one test</h3>
      {tried.length > 0 && (
        <ol className="list-decimal pl-6 text-[0.93rem]">
          {tried.map(({ settings, test, outcome, minutes, reason }, at) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: rungs keep their places
            <li key={at}>
              {settingsWords(settings)}, {test === 'long' ? 'soak test' : 'short test'}:{' '}
              <b className="font-semibold">
                {isCutShort({ settings, test, outcome, minutes }, tuning.least)
                  ? 'cut short'
                  : CHOICES.outcome[outcome]}
              </b>
              {outcome !== 'no-start' && ` after ${tidy(minutes, 0)} min`}
              {reason && ` (tried besides: ${reason})`}
            </li>
          ))}
        </ol>
      )}
      {next && <Next key={tried.length} rung={next} tuning={tuning} />}
      {next && <OwnRung key={`own ${tried.length}`} from={next.settings} tuning={tuning} />}
      {end === 'RATED_FAILS' && (
        <p className={callout({ tone: 'stop' })}>
          Even the rated values do not pass. Leave the profile off, and look for the fault.
        </p>
      )}
      {end === 'NOT_BETTER' && holds && (
        <p className={callout({ tone: 'note' })}>
          {settingsWords(holds)} held through the soak test, and is no better than the machine as
          found. Leave it as found.
        </p>
      )}
      {end === 'DONE' && holds && (
        <div className="border-l-8 border-act bg-act-soft px-4 py-3">
          <p className="text-lg">
            <b className="font-semibold">{settingsWords(holds)}</b> held through the soak test.
          </p>
          <div className="mt-1 flex flex-wrap gap-2">
            <Button onClick={() => plan(holds)}>Plan with these values</Button>
            <PrintLink to={`/jobs/${file.id}/tune-sheet`}>Values for the customer</PrintLink>
          </div>
        </div>
      )}
      {notWorth.length > 0 && (
        <p className="text-sm text-ink-2">
          Left out, as the gain would not show in this customer’s work:{' '}
          {list(notWorth.map((stage) => LADDER_STAGE_NAMES[stage]))}.
        </p>
      )}
      {tried.length > 0 && (
        <button
          type="button"
          className="flex min-h-11 items-center gap-1.5 self-start text-sm underline"
          onClick={takeBack}
        >
          <RotateCcw size={14} aria-hidden /> Take the last back
        </button>
      )}
    </section>
  )
}

/** Usual length of a short test, minutes. */
const USUAL_SHORT = 15

function Next({ rung, tuning }: { rung: Rung; tuning: Tuning }) {
  const { stage, settings, change, test, back } = rung
  const [minutes, setMinutes] = useState<unknown>(
    test === 'long' ? Math.round(tuning.soak.hours.low * 60) : USUAL_SHORT,
  )
  const taken = typeof minutes === 'number' && minutes >= 0 ? minutes : null
  const note = (outcome: 'no-start' | 'errors' | 'passed') =>
    taken !== null && tuning.note(settings, test, outcome, taken)
  return (
    <section aria-label="Next rung" className="border-l-8 border-act bg-sheet-2 px-4 py-3">
      <p className="text-sm text-ink-2">
        {LADDER_STAGE_NAMES[stage]}: {changeWords(change)}
      </p>
      <p className="text-xl leading-snug font-semibold">{settingsWords(settings)}</p>
      <p className="text-[0.93rem]">
        {test === 'long'
          ? `The soak test, from the shop’s own medium: ${soakWords(tuning.soak)}.`
          : 'Start it into the setup, then a short memory test from the shop’s own medium; not into the customer’s system.'}{' '}
        The way back: {back ? settingsWords(back) : 'the values as found'}; if it no longer starts,
        clear the setup with the machine off and unplugged.
      </p>
      <div className="mt-2 grid grid-cols-[7rem_1fr] items-end gap-2">
        <Field label="Minutes" error={taken === null ? 'A figure.' : undefined}>
          {(control) => (
            <TextInput
              {...control}
              inputMode="decimal"
              value={minutes}
              onValue={(text) => setMinutes(numberFrom(text))}
            />
          )}
        </Field>
        <span className="flex flex-wrap gap-2">
          <Button look="main" onClick={() => note('passed')}>
            Passed
          </Button>
          <Button onClick={() => note('errors')}>Errors</Button>
          <Button onClick={() => note('no-start')}>Does not start</Button>
        </span>
      </div>
    </section>
  )
}

const OWN_FIELDS = [
  ['dataRate', 'MT/s'],
  ['cl', 'CL'],
  ['trcd', 'tRCD'],
  ['trp', 'tRP'],
  ['tras', 'tRAS'],
] as const

/** Settings of the technician's own, with the reason for them. */
function OwnRung({ from, tuning }: { from: TuneSettings; tuning: Tuning }) {
  const [typed, setTyped] = useState<Record<string, unknown>>({
    dataRate: from.dataRate,
    ...from.timings,
  })
  const [minutes, setMinutes] = useState<unknown>(USUAL_SHORT)
  const [reason, setReason] = useState('')
  const parsed = Tried.safeParse({
    settings: {
      dataRate: typed.dataRate,
      timings: { cl: typed.cl, trcd: typed.trcd, trp: typed.trp, tras: typed.tras },
    },
    test: 'short',
    outcome: 'passed',
    minutes,
  })
  const isReady = parsed.success && reason.trim() !== ''
  const note = (outcome: Tried['outcome']) =>
    isReady && tuning.note(parsed.data.settings, 'short', outcome, parsed.data.minutes, reason)
  return (
    <Disclosure className="text-[0.93rem]" summary="Try settings of your own">
      <div className="grid grid-cols-3 items-end gap-2 sm:grid-cols-6">
        {OWN_FIELDS.map(([name, label]) => (
          <Field key={name} label={label}>
            {(control) => (
              <TextInput
                {...control}
                inputMode="numeric"
                value={typed[name]}
                onValue={(text) => setTyped({ ...typed, [name]: numberFrom(text) })}
              />
            )}
          </Field>
        ))}
        <Field label="Minutes tested">
          {(control) => (
            <TextInput
              {...control}
              inputMode="decimal"
              value={minutes}
              onValue={(text) => setMinutes(numberFrom(text))}
            />
          )}
        </Field>
      </div>
      <Field label="Reason" className="mt-2">
        {(control) => (
          <TextInput
            {...control}
            value={reason}
            onValue={(text) => setReason(text.slice(0, 200))}
          />
        )}
      </Field>
      <p className="text-sm text-ink-2">No voltage beyond the module’s rating.</p>
      <div className="mt-1 flex flex-wrap gap-2 pb-2">
        {(['passed', 'errors', 'no-start'] as const).map((outcome) => (
          <Button key={outcome} disabled={!isReady} onClick={() => note(outcome)}>
            Own: {CHOICES.outcome[outcome]}
          </Button>
        ))}
      </div>
    </Disclosure>
  )
}
