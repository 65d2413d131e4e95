import {
  type FrameFigures,
  type TestConditions,
  TIME_UNITS,
  tooShortFor,
} from '@tembrix/core/bench/measure'
import type { Configuration } from '@tembrix/core/things/model'
import { FrameLogChange, type TwoChanges } from '@tembrix/core/things/records'
import { FileUp } from 'lucide-react'
import { lazy, Suspense, useState } from 'react'
import { making } from '../../../../base/data'
import { list, numberFrom, plural, tidy } from '../../../../base/format'
import {
  Button,
  callout,
  Disclosure,
  ErrorText,
  Field,
  FileDrop,
  Select,
  TextInput,
} from '../../../../base/ui'
import { configurationsOf } from '../../../../parts/configurations/configurations'
import { type Analysed, useFrameLog } from '../../../../parts/frameLog'
import { CommaQuestion } from '../../../../parts/tableFile'
import { useJob } from '../../base/file'
import { ConditionFields } from './ConditionFields'
import { conditionsInWords } from './sessions'

const TrimChart = lazy(async () => ({ default: (await import('./TrimChart')).TrimChart }))

const LARGEST = 200_000_000
/** A log of fewer seconds is not cut on a chart. */
const SHORTEST_CUT = 2

type Holds = 'frames' | 'higher' | 'lower'

/** Takes in a log of frame times as one run, or scores as runs. */
export function FrameLogIn({ changes }: { changes: TwoChanges | null }) {
  const { file, edit } = useJob()
  const { log, open, settle, choose, cut, cancel } = useFrameLog()
  const [configuration, setConfiguration] = useState<Configuration>('after')
  const [better, setBetter] = useState<'higher' | 'lower'>('higher')
  const [typed, setTyped] = useState<string | null>(null)
  const [afresh, setAfresh] = useState(false)
  const [conditions, setConditions] = useState<TestConditions | null>(null)
  const [fault, setFault] = useState('')
  const { head, column, trim, rows, readings, share, whole, analysed } = log
  const holds: Holds = column.unit === null ? better : 'frames'
  const usual = holds === 'frames' ? (file.frames.at(-1)?.test ?? 'Frames') : column.heading
  const test = (typed ?? usual).trim().slice(0, 100)
  const unnamed = FrameLogChange.shape.test.safeParse(test).error?.issues[0]?.message

  const earlier = file.frames.filter((one) => one.test === test)
  const same = earlier.filter((one) => one.configuration === configuration)
  const latest = Math.max(0, ...same.map((one) => one.session))
  const session = Math.max(1, afresh ? latest + 1 : latest)
  const under = conditions ?? earlier.at(-1)?.conditions ?? {}
  const run = { at: new Date().toISOString(), conditions: under }

  function take(picked: File | undefined) {
    setFault('')
    setTyped(null)
    setAfresh(false)
    setConditions(null)
    if (!picked) return
    if (picked.size > LARGEST) setFault(`${picked.name} is larger than ${LARGEST / 1e6} MB.`)
    else void open(picked)
  }

  function keepFrames({ frames }: Analysed) {
    if (!frames || unnamed) return
    const { figures, bins, line } = frames
    const name = log.name.slice(0, 200)
    const about = { test, configuration, session, name, ...run }
    const fields = { jobId: file.id, ...about, figures, bins, line }
    edit.act('', [making('frames', fields)])
    cancel()
  }

  /** Each figure of the column is a run, all of one session. */
  function keepScores({ first }: Analysed) {
    if (unnamed) return
    const known = file.measurements.findLast((one) => one.test === test)
    const { unit, bandwidth, work } = known ?? { unit: '', bandwidth: null, work: null }
    const about = { unit, better, bandwidth, work, configuration }
    const fields = { jobId: file.id, test, ...about, ...run, runs: first }
    edit.act('', [making('measurements', fields)])
    cancel()
  }

  return (
    <section aria-label="From a file" className="border-t border-rule pt-2">
      <FileDrop
        label="Log of frame times"
        accept=".csv,.tsv,.txt,text/csv"
        onFiles={([file]) => take(file)}
      >
        <FileUp size={17} aria-hidden /> Frame times or scores from a file (CSV)
      </FileDrop>
      {(fault || log.failed) && (
        <ErrorText className="mt-1">{fault || `${log.name}: ${log.failed}`}</ErrorText>
      )}
      {share !== null && (
        <p className="mt-1 flex items-center gap-3 text-sm" role="status">
          <progress className="h-2 flex-1 accent-act" value={share} aria-label="Reading the log" />
          <Button look="quiet" onClick={cancel}>
            Stop
          </Button>
        </p>
      )}
      {head && readings.length > 0 && (
        <CommaQuestion
          name={log.name}
          headings={head.headings}
          row={rows.find((cells) => cells.length > head.headings.length) ?? []}
          readings={readings}
          onReading={settle}
          onStop={cancel}
        />
      )}
      {head && readings.length === 0 && (
        <div className="mt-2 grid grid-cols-2 gap-2">
          <Field label="It holds" className="col-span-2">
            {(control) => (
              <Select
                {...control}
                value={holds}
                options={[
                  { value: 'frames', label: 'frame times of one run' },
                  { value: 'higher', label: 'scores, one a run; higher is better' },
                  { value: 'lower', label: 'times, one a run; lower is better' },
                ]}
                onValue={(next) => {
                  if (next !== 'frames') setBetter(next)
                  const unit = next === 'frames' ? 'ms' : null
                  if ((column.unit === null) !== (unit === null)) choose({ ...column, unit })
                }}
              />
            )}
          </Field>
          <Field label={holds === 'frames' ? 'Column of frame times' : 'Column of runs'}>
            {(control) => (
              <Select
                {...control}
                value={column.heading}
                options={head.headings.map((value) => ({ value, label: value || '(no name)' }))}
                onValue={(heading) => choose({ ...column, heading })}
              />
            )}
          </Field>
          <p className="col-span-2 text-sm text-ink-2">
            Its first figures: {firstFigures(rows, head.headings.indexOf(column.heading))}
          </p>
          {holds === 'frames' && whole && whole.seconds >= SHORTEST_CUT && (
            <Suspense fallback={<div className="col-span-2 h-28" />}>
              <TrimChart className="col-span-2" whole={whole} trim={trim} onTrim={cut} />
            </Suspense>
          )}
          {holds === 'frames' && (
            <>
              <TrimField
                label="Leave out at the beginning, s"
                value={trim.begin}
                onValue={(begin) => cut({ ...trim, begin })}
              />
              <TrimField
                label="Leave out at the end, s"
                value={trim.end}
                onValue={(end) => cut({ ...trim, end })}
              />
            </>
          )}
          {column.unit !== null && (
            <Field label="Unit">
              {(control) => (
                <Select
                  {...control}
                  value={column.unit ?? 'ms'}
                  options={TIME_UNITS.map((value) => ({ value, label: value }))}
                  onValue={(unit) => choose({ ...column, unit })}
                />
              )}
            </Field>
          )}
          <Field
            label="What was run"
            error={unnamed}
            hint="Logs of one name are compared."
            className={column.unit === null ? '' : 'col-span-2'}
          >
            {(control) => <TextInput {...control} value={typed ?? usual} onValue={setTyped} />}
          </Field>
          <Field label="The machine was" className="col-span-2">
            {(control) => (
              <Select
                {...control}
                value={configuration}
                options={configurationsOf(changes)}
                onValue={setConfiguration}
              />
            )}
          </Field>
          {holds === 'frames' && same.length > 0 && (
            <Field label="Since the log before" className="col-span-2">
              {(control) => (
                <Select
                  {...control}
                  value={afresh ? 'afresh' : 'on'}
                  options={[
                    { value: 'on', label: 'went on: the same session' },
                    { value: 'afresh', label: 'started afresh: a further session' },
                  ]}
                  onValue={(next) => setAfresh(next === 'afresh')}
                />
              )}
            </Field>
          )}
          <Disclosure
            className="col-span-2"
            summary={
              <span className="text-sm">{conditionsInWords(under) || 'Conditions not noted'}</span>
            }
          >
            <ConditionFields conditions={under} onConditions={setConditions} />
          </Disclosure>
        </div>
      )}
      {analysed && (
        <Read
          analysed={analysed}
          holds={holds}
          onKeep={() => (holds === 'frames' ? keepFrames(analysed) : keepScores(analysed))}
        />
      )}
    </section>
  )
}

const firstFigures = (rows: readonly (readonly string[])[], at: number): string =>
  rows
    .slice(0, 4)
    .map((cells) => cells[at] ?? '')
    .filter(Boolean)
    .join(' · ') || 'none'

interface TrimProps {
  label: string
  value: number
  onValue: (seconds: number) => void
}

/** Seconds of a log that are not looked at: loading, a menu. */
function TrimField({ label, value, onValue }: TrimProps) {
  return (
    <Field label={label}>
      {(control) => (
        <TextInput
          {...control}
          inputMode="decimal"
          value={value === 0 ? '' : value}
          placeholder="0"
          onValue={(text) => {
            const seconds = numberFrom(text) ?? 0
            if (typeof seconds === 'number' && seconds >= 0 && seconds < 1e5) onValue(seconds)
          }}
        />
      )}
    </Field>
  )
}

interface ReadProps {
  analysed: Analysed
  holds: Holds
  onKeep: () => void
}

/** What a log can and cannot tell. */
function aboutFrames(figures: FrameFigures): string[] {
  const { frames, cap, dropped = 0 } = figures
  const short = tooShortFor(figures)
  return [
    ...(cap
      ? [
          `Frames were held to ${tidy(cap)} a second${dropped > 0 ? `, ${plural(dropped, 'time')} they took several of its beats` : ''}: a faster memory cannot show here. Switch the limit off and log again.`,
        ]
      : []),
    ...short.map(
      (share) =>
        `Too short for the slowest ${tidy(share * 100)} %: of ${frames} frames that is ${plural(Math.max(1, Math.round(frames * share)), 'frame')}.`,
    ),
  ]
}

/** What was read and what was not, before it is kept. */
function Read({ analysed, holds, onKeep }: ReadProps) {
  const { count, rows, bad, badLines, otherUnits, cutOff, frames, first } = analysed
  const enough = holds === 'frames' ? frames !== null : first.length > 0
  const doubts = [
    ...(cutOff ? ['The last line is cut off and left out: the log may not be whole.'] : []),
    ...(otherUnits > 0
      ? [
          `${plural(otherUnits, 'figure')} came with another unit, and ${otherUnits === 1 ? 'counts' : 'count'} by it.`,
        ]
      : []),
    ...((frames?.otherUnit ?? 0) > 0
      ? [
          `${plural(frames?.otherUnit ?? 0, 'frame')} more than 200 times shorter than the middle one: two units in one column?`,
        ]
      : []),
    ...(frames ? aboutFrames(frames.figures) : []),
  ]
  return (
    <>
      <p className="mt-1 text-sm">
        {plural(count, holds === 'frames' ? 'frame' : 'figure')} of {plural(rows, 'row')}
        {frames && `, ${tidy(frames.figures.seconds, 1)} s`}
        {bad > 0 &&
          `; ${bad} left out (${bad === 1 ? 'line' : 'lines'} ${list(badLines.slice(0, 8).map(String))}${bad > 8 ? ' and more' : ''})`}
        .
      </p>
      {doubts.map((doubt) => (
        <p key={doubt} className={callout({ tone: 'risk', className: 'text-sm' })}>
          {doubt}
        </p>
      ))}
      {!enough && (
        <p className="font-medium text-stop">
          This column holds no {holds === 'frames' ? 'two frame times' : 'figure'} above 0. Choose
          another.
        </p>
      )}
      {enough && (
        <Button look="main" className="mt-2" onClick={onKeep}>
          {frames
            ? `Add as a run: ${tidy(frames.figures.averageRate, 1)} frames/s`
            : `Add ${plural(first.length, 'run')}`}
        </Button>
      )}
    </>
  )
}
