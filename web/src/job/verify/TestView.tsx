import { type Comparison, compareFailures, inferChannels } from '@tembrix/core/measure'
import { type Measurement, MeasurementChange, type Moment, RunFigure } from '@tembrix/core/records'
import { Trash2 } from 'lucide-react'
import { useState } from 'react'
import { created, removed, useAppDispatch } from '../../data'
import { Field, numberFrom, plural, TextInput, tidy } from '../../ui'
import { useJob } from '../file'
import type { Tested } from './tested'
import { times } from './words'

/** One test: its runs before and after, and what they say. */
export function TestView({ tested }: { tested: Tested }) {
  const { test, unit, better, before, after, comparison } = tested
  return (
    <section aria-label={test} className="border-2 border-rule p-2">
      <h3 className="font-semibold">
        {test}{' '}
        <span className="text-sm font-normal text-ink-2">
          {unit}, {better} is better
        </span>
      </h3>
      <div className="grid grid-cols-2 gap-3">
        <Runs tested={tested} moment="before" record={before} />
        <Runs tested={tested} moment="after" record={after} />
      </div>
      {comparison && <Verdict comparison={comparison} />}
      <Failures tested={tested} />
      <Channels tested={tested} />
    </section>
  )
}

const LOOKS = {
  gain: 'border-act bg-act-soft',
  loss: 'border-stop bg-stop-soft',
  'cannot-tell': 'border-rule-2 bg-note-soft',
  'too-few': 'border-rule-2 bg-note-soft',
}

function Verdict({
  comparison: { verdict, ratio, low, high, moreRuns },
}: {
  comparison: Comparison
}) {
  const range = `95 % interval ${times(low)} to ${times(high)}.`
  const more = plural(moreRuns ?? 0, 'more run')
  const said = {
    gain: [`A gain: ${times(ratio)}.`, range],
    loss: [`A loss: ${times(ratio)}.`, range],
    'cannot-tell': [
      'Cannot be told from noise.',
      `${range} ${moreRuns === null ? 'More runs would hardly settle it.' : `About ${more} on each side would settle a difference of this size.`}`,
    ],
    'too-few': ['Too few runs.', `${more} at least, so that their scatter is known.`],
  }[verdict]
  return (
    <p data-verdict={verdict} className={`mt-1 border-l-4 px-3 py-1.5 ${LOOKS[verdict]}`}>
      <b className="font-semibold">{said[0]}</b> {said[1]}
    </p>
  )
}

function Failures({ tested: { before, after } }: { tested: Tested }) {
  if (!before || !after || before.failed + after.failed === 0) return null
  const of = ({ failed, runs }: Measurement) => ({ failed, runs: failed + runs.length })
  const [was, is] = [of(before), of(after)]
  const { fewer, more } = compareFailures(was, is)
  const end = fewer
    ? ': fewer, beyond chance.'
    : more
      ? ': more, beyond chance.'
      : ', which may be chance.'
  return (
    <p className="mt-1 text-[0.93rem]">
      Crashed or never finished: {was.failed} of {was.runs} before, {is.failed} of {is.runs} after
      {end}
    </p>
  )
}

function Channels({ tested: { bandwidth, after } }: { tested: Tested }) {
  const { machine, planned } = useJob()
  const { run, zones } = planned.evaluation
  const most = machine.channels.length
  if (!bandwidth || !after || after.runs.length === 0 || !run || most < 2) return null
  const best = Math.max(...after.runs)
  const expected = zones[0]?.ways ?? 1
  const { proven, asExpected, chances } = inferChannels(
    best,
    bandwidth,
    run.dataRate,
    most,
    expected,
  )
  const one = chances.find(({ ways }) => ways === 1)?.peakGBs ?? 0
  return (
    <p className="mt-1 text-[0.93rem]">
      <b className="font-semibold">
        {proven > 1
          ? `At least ${plural(proven, 'channel')} at work, beyond doubt`
          : `${plural(expected, 'channel')} at work: ${tidy(asExpected * 100, 0)} % sure`}
      </b>
      : one channel gives {tidy(one, 1)} GB/s at most, {tidy(best, 1)} were measured.
    </p>
  )
}

interface RunsProps {
  tested: Tested
  moment: Moment
  record: Measurement | undefined
}

/** Runs as typed or pasted, with blanks, semicolons or lines between. */
function Runs({ tested, moment, record }: RunsProps) {
  const { file, edit } = useJob()
  const dispatch = useAppDispatch()
  const [typed, setTyped] = useState<string | null>(null)
  const [fault, setFault] = useState<string>()
  const { test, unit, better, bandwidth } = tested

  function set(text: string) {
    setTyped(text)
    const read = text
      .split(/[\s;]+/)
      .filter(Boolean)
      .map((one) => RunFigure.safeParse(numberFrom(one)))
    const bad = read.findIndex((one) => !one.success)
    setFault(bad < 0 ? undefined : `Run ${bad + 1} is no figure above 0.`)
    if (bad >= 0) return
    const runs = read.map((one) => one.data as number)
    if (record) edit.set('measurements', record, { runs })
    else if (runs.length > 0) {
      const target = { jobId: file.id, collection: 'measurements' as const }
      const fields = { jobId: file.id, test, unit, better, bandwidth, moment, runs }
      dispatch(created({ ...target, recordId: crypto.randomUUID() }, fields))
    }
  }

  return (
    <div>
      <Field
        label={moment === 'before' ? 'Before' : 'After'}
        error={fault}
        hint={record && record.runs.length > 0 ? summary(record) : 'Runs with blanks between.'}
      >
        {(control) => (
          <TextInput
            {...control}
            lines={2}
            value={typed ?? record?.runs.join(' ') ?? ''}
            onValue={set}
          />
        )}
      </Field>
      {record && (
        <div className="flex items-center gap-2">
          <Field label="Failed" className="w-20">
            {(control) => (
              <TextInput
                {...control}
                inputMode="numeric"
                value={record.failed}
                onValue={(text) => {
                  const failed = MeasurementChange.shape.failed.safeParse(numberFrom(text) ?? 0)
                  if (failed.success) edit.set('measurements', record, { failed: failed.data })
                }}
              />
            )}
          </Field>
          <button
            type="button"
            aria-label={`Remove ${test}, ${moment}`}
            onClick={() => {
              const { id: recordId, version } = record
              const target = { jobId: file.id, collection: 'measurements' as const }
              dispatch(removed({ ...target, recordId, version }))
            }}
            className="mt-6 ml-auto grid size-11 place-items-center rounded-sm hover:bg-stop-soft"
          >
            <Trash2 size={16} aria-hidden />
          </button>
        </div>
      )}
    </div>
  )
}

function summary({ runs, note }: Measurement): string {
  const mean = Math.exp(runs.reduce((sum, run) => sum + Math.log(run), 0) / runs.length)
  return `${plural(runs.length, 'run')}, mean ${tidy(mean)}${note ? `, ${note}` : ''}`
}
