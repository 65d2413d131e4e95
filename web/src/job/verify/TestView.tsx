import type * as measure from '@tembrix/core/measure'
import { compareFailures, geometricMean, inferChannels } from '@tembrix/core/measure'
import {
  type Configuration,
  type Measurement,
  MeasurementChange,
  RunFigure,
  type TwoChanges,
} from '@tembrix/core/records'
import { Trash2 } from 'lucide-react'
import { useState } from 'react'
import { configurationsOf } from '../../configurations'
import { created, removed, useAppDispatch } from '../../data'
import { Field, numberFrom, plural, TextInput, tidy } from '../../ui'
import { useJob } from '../file'
import { Effects } from './Effects'
import { Verdict } from './Verdict'
import { capital } from './words'

type Tested = measure.Tested<Measurement>
type Side = measure.Side<Measurement>

interface Props {
  tested: Tested
  changes: TwoChanges | null
}

/** One test: what its runs say, and the runs themselves. */
export function TestView({ tested, changes }: Props) {
  const { test, unit, better, sides, against, effects } = tested
  const [open] = useState(() => (against.after?.verdict ?? 'too-few') === 'too-few')
  return (
    <section aria-label={test} className="border-t-2 border-rule pt-2">
      <h3 className="flex flex-wrap items-baseline gap-x-2 font-semibold">
        {test}
        <span className="text-sm font-normal text-ink-2">
          {unit}
          {unit && ', '}
          {better} is better
        </span>
      </h3>
      {against.after && <Verdict comparison={against.after} unit={unit} />}
      <Failures sides={sides} />
      <Channels tested={tested} />
      {changes && effects && <Effects effects={effects} changes={changes} />}
      <details open={open}>
        <summary className="flex min-h-9 cursor-pointer items-center text-sm">
          Runs, {plural(countOf(sides), 'in all', 'in all')}
        </summary>
        <div className="grid grid-cols-2 gap-3">
          {configurationsOf(changes).map(({ value, label }) => (
            <Runs key={value} tested={tested} configuration={value} label={label} />
          ))}
        </div>
      </details>
    </section>
  )
}

const countOf = (sides: Tested['sides']) =>
  Object.values(sides).reduce((sum, { runs }) => sum + runs.length, 0)

function Failures({ sides: { before, after } }: Pick<Tested, 'sides'>) {
  if (!before || !after || before.failed + after.failed === 0) return null
  const of = ({ failed, runs }: Side) => ({ failed, runs: failed + runs.length })
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

function Channels({ tested: { bandwidth, sides } }: { tested: Tested }) {
  const { machine, planned } = useJob()
  const { run, zones } = planned.evaluation
  const runs = sides.after?.runs ?? []
  const most = machine.channels.length
  if (!bandwidth || runs.length === 0 || !run || most < 2) return null
  const best = Math.max(...runs)
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
      {proven <= 1 && ' A browser, or other work on the machine, may hold it back.'}
    </p>
  )
}

interface RunsProps {
  tested: Tested
  configuration: Configuration
  label: string
}

/** Runs as typed or pasted, with blanks, semicolons or lines between. */
function Runs({ tested, configuration, label }: RunsProps) {
  const { file, edit } = useJob()
  const dispatch = useAppDispatch()
  const [typed, setTyped] = useState<string | null>(null)
  const [fault, setFault] = useState<string>()
  const { test, unit, better, bandwidth, sides } = tested
  const side = sides[configuration]
  const record = side?.record
  const target = { jobId: file.id, collection: 'measurements' as const }

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
      const fields = { jobId: file.id, test, unit, better, bandwidth, configuration, runs }
      dispatch(created({ ...target, recordId: crypto.randomUUID() }, fields))
    }
  }

  return (
    <div>
      <Field
        label={capital(label)}
        error={fault}
        hint={side && side.runs.length > 0 ? summary(side) : 'Runs with blanks between.'}
      >
        {(control) => (
          <TextInput
            {...control}
            lines={2}
            value={typed ?? side?.runs.join(' ') ?? ''}
            onValue={set}
          />
        )}
      </Field>
      {record && (
        <div className="flex items-end gap-2">
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
            aria-label={`Remove ${test}, ${label}`}
            onClick={() => {
              setTyped(null)
              dispatch(removed({ ...target, recordId: record.id, version: record.version }))
            }}
            className="ml-auto grid size-11 place-items-center rounded-sm hover:bg-stop-soft"
          >
            <Trash2 size={16} aria-hidden />
          </button>
        </div>
      )}
    </div>
  )
}

function summary({ runs, record }: Side): string {
  return `${plural(runs.length, 'run')}, mean ${tidy(geometricMean(runs))}${record?.note ? `, ${record.note}` : ''}`
}
