import type { FrameFigures } from '@tembrix/core/measure'
import type { Measurement, Moment } from '@tembrix/core/records'
import { FileUp } from 'lucide-react'
import { useRef, useState } from 'react'
import { created, useAppDispatch } from '../../data'
import { useFrameLog } from '../../frameLog'
import { Button, Field, plural, Select, tidy } from '../../ui'
import { useJob } from '../file'

const LARGEST = 60_000_000

/** The figures of a log, each under its own name, since the ways to say “slowest” differ. */
const FIGURES: { name: string; of: (figures: FrameFigures) => number }[] = [
  { name: 'Average rate', of: ({ averageRate }) => averageRate },
  { name: 'Rate at the 99th percentile frame time', of: ({ rateAt99 }) => rateAt99 },
  { name: 'Rate of the mean of the slowest 1 %', of: ({ rateOfSlowest1 }) => rateOfSlowest1 },
  { name: 'Rate at the 99.9th percentile', of: ({ rateAt999 }) => rateAt999 },
  { name: 'Rate of the mean of the slowest 0.1 %', of: ({ rateOfSlowest01 }) => rateOfSlowest01 },
]

/** Kept as tests of the job: the average, and the slowest hundredth both ways. */
const KEPT = FIGURES.slice(0, 3)

/** Reads a log of frame times and adds its figures as one run. */
export function FrameLogView() {
  const { file, edit } = useJob()
  const dispatch = useAppDispatch()
  const { log, open, choose, cancel } = useFrameLog()
  const [moment, setMoment] = useState<Moment>('after')
  const [holds, setHolds] = useState<'frames' | 'higher' | 'lower'>('frames')
  const [fault, setFault] = useState('')
  const chooser = useRef<HTMLInputElement>(null)
  const { head, column, share, analysed } = log
  const figures = analysed?.figures

  function take(picked: File | undefined) {
    setFault('')
    if (!picked) return
    if (picked.size > LARGEST) setFault(`${picked.name} is larger than ${LARGEST / 1e6} MB.`)
    else void open(picked)
  }

  function keep(all: FrameFigures) {
    for (const { name, of } of KEPT) {
      const test = `Frames: ${name.toLowerCase()}`
      const known = file.measurements.find((one) => one.test === test && one.moment === moment)
      const run = Number(of(all).toPrecision(6))
      if (known) edit.set('measurements', known, { runs: [...known.runs, run] })
      else add(test, run)
    }
    cancel()
  }

  /** Scores: each figure of the column is a run of the test that the column names. */
  function keepScores(better: 'higher' | 'lower', runs: number[]) {
    const test = column.heading.slice(0, 120) || log.name
    const known = file.measurements.find((one) => one.test === test && one.moment === moment)
    if (known) edit.set('measurements', known, { runs: [...known.runs, ...runs].slice(0, 1000) })
    else {
      const fields = { jobId: file.id, test, unit: '', better, bandwidth: null, moment, runs }
      const target = { jobId: file.id, collection: 'measurements' as const }
      dispatch(created({ ...target, recordId: crypto.randomUUID() }, fields))
    }
    cancel()
  }

  function add(test: string, run: number) {
    const fields: Partial<Measurement> = {
      test,
      unit: 'frames/s',
      better: 'higher',
      bandwidth: null,
      moment,
      runs: [run],
    }
    const target = { jobId: file.id, collection: 'measurements' as const }
    dispatch(created({ ...target, recordId: crypto.randomUUID() }, { jobId: file.id, ...fields }))
  }

  return (
    <section aria-label="Frame times" className="border-2 border-rule p-2">
      <Button onClick={() => chooser.current?.click()}>
        <FileUp size={17} aria-hidden /> Frame times or scores from a file (CSV)
      </Button>
      <input
        ref={chooser}
        type="file"
        accept=".csv,.tsv,.txt,text/csv"
        aria-label="Log of frame times"
        className="hidden"
        onChange={({ target }) => {
          take(target.files?.[0])
          target.value = ''
        }}
      />
      {(fault || log.failed) && (
        <p role="alert" className="mt-1 font-medium text-stop">
          {fault || `${log.name}: ${log.failed}`}
        </p>
      )}
      {share !== null && (
        <p className="mt-1 flex items-center gap-3 text-sm" role="status">
          <progress className="h-2 flex-1 accent-act" value={share} aria-label="Reading the log" />
          <Button look="quiet" onClick={cancel}>
            Stop
          </Button>
        </p>
      )}
      {head && (
        <div className="mt-2 grid grid-cols-[2fr_1fr_1fr] gap-2">
          <Field label="It holds" className="col-span-3">
            {(control) => (
              <Select
                {...control}
                value={holds}
                options={[
                  { value: 'frames', label: 'frame times of one run' },
                  { value: 'higher', label: 'scores, one a run; higher is better' },
                  { value: 'lower', label: 'times, one a run; lower is better' },
                ]}
                onValue={setHolds}
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
          <Field label="Unit">
            {(control) => (
              <Select
                {...control}
                value={column.unit}
                options={(['ms', 's', 'µs'] as const).map((value) => ({ value, label: value }))}
                onValue={(unit) => choose({ ...column, unit })}
              />
            )}
          </Field>
          <Field label="Made">
            {(control) => (
              <Select
                {...control}
                value={moment}
                options={[
                  { value: 'before', label: 'before' },
                  { value: 'after', label: 'after' },
                ]}
                onValue={setMoment}
              />
            )}
          </Field>
        </div>
      )}
      {analysed && (
        <>
          <p className="mt-1 text-sm">
            {plural(analysed.rows - analysed.bad, holds === 'frames' ? 'frame' : 'figure')} of{' '}
            {plural(analysed.rows, 'row')}
            {figures && holds === 'frames' && `, ${tidy(figures.seconds, 1)} s`}
            {analysed.bad > 0 &&
              `; ${analysed.bad} left out (line${analysed.badLines.length === 1 ? '' : 's'} ${analysed.badLines.slice(0, 8).join(', ')}${analysed.bad > 8 ? '…' : ''})`}
            .
          </p>
          {holds !== 'frames' && analysed.first.length > 0 ? (
            <Button look="main" className="mt-2" onClick={() => keepScores(holds, analysed.first)}>
              Add {plural(analysed.first.length, 'run')} of “{column.heading}”
            </Button>
          ) : figures && holds === 'frames' ? (
            <>
              <table className="w-full text-[0.93rem]">
                <tbody>
                  {FIGURES.map(({ name, of }) => (
                    <tr key={name} className="border-b border-rule">
                      <th scope="row" className="text-left font-normal">
                        {name}
                      </th>
                      <td className="text-right">{tidy(of(figures), 1)}</td>
                    </tr>
                  ))}
                  <tr>
                    <th scope="row" className="text-left font-normal">
                      Stutters, and time lost in them
                    </th>
                    <td className="text-right">
                      {figures.stutters}, {tidy(figures.lostSeconds, 2)} s
                    </td>
                  </tr>
                </tbody>
              </table>
              <Line line={analysed.line} seconds={figures.seconds} />
              <Distribution bins={analysed.bins} topMs={analysed.topMs} />
              <Button look="main" className="mt-2" onClick={() => keep(figures)}>
                Add as a run
              </Button>
            </>
          ) : (
            <p className="font-medium text-stop">
              This column holds no {holds === 'frames' ? 'two frame times' : 'figure'} above 0.
              Choose another.
            </p>
          )}
        </>
      )}
    </section>
  )
}

/** Frame times over the log: the longest of each stretch. */
function Line({ line, seconds }: { line: readonly number[]; seconds: number }) {
  const most = Math.max(...line)
  const points = line.map((time, at) => `${at} ${20 - (20 * time) / most}`).join(' ')
  return (
    <figure className="mt-2">
      <svg
        viewBox={`0 0 ${Math.max(1, line.length - 1)} 20`}
        preserveAspectRatio="none"
        className="h-16 w-full bg-sheet-2"
        role="img"
        aria-label={`Frame times over ${tidy(seconds, 0)} s, up to ${tidy(most, 0)} ms`}
      >
        <polyline
          points={points}
          fill="none"
          stroke="var(--act)"
          strokeWidth="1.5"
          vectorEffect="non-scaling-stroke"
        />
      </svg>
      <figcaption className="flex justify-between text-xs text-ink-2">
        <span>0 s, from 0 to {tidy(most, 0)} ms</span>
        <span>{tidy(seconds, 0)} s</span>
      </figcaption>
    </figure>
  )
}

/** How often a frame took how long. */
function Distribution({ bins, topMs }: { bins: readonly number[]; topMs: number }) {
  const most = Math.max(...bins)
  return (
    <figure className="mt-2">
      <svg
        viewBox={`0 0 ${bins.length} 20`}
        preserveAspectRatio="none"
        className="h-16 w-full"
        role="img"
        aria-label={`Distribution of frame times from 0 to ${tidy(topMs, 0)} ms`}
      >
        {bins.map((count, at) => (
          <rect
            // biome-ignore lint/suspicious/noArrayIndexKey: bins keep their places
            key={at}
            x={at + 0.05}
            width={0.9}
            y={20 - (20 * count) / most}
            height={(20 * count) / most}
            className="fill-act"
          />
        ))}
      </svg>
      <figcaption className="flex justify-between text-xs text-ink-2">
        <span>0 ms</span>
        <span>{tidy(topMs, 0)} ms</span>
      </figcaption>
    </figure>
  )
}
