import {
  type Configuration,
  FRAME_RATES,
  type FrameFigures,
  type Logged,
  type LoggedRate,
  median,
} from '@tembrix/core/bench/measure'
import type { FrameLog, TwoChanges } from '@tembrix/core/things/records'
import { Trash2 } from 'lucide-react'
import { lazy, Suspense } from 'react'
import { removing } from '../../../../base/data'
import { capital, plural, tidy } from '../../../../base/format'
import { Disclosure, IconButton } from '../../../../base/ui'
import { configurationsOf } from '../../../../parts/configurations/configurations'
import { useJob } from '../../base/file'
import { Effects } from './Effects'
import { Verdict } from './Verdict'
import { COMPARED_RATES, RATE_WORDS } from './words'

const FrameCharts = lazy(async () => ({ default: (await import('./FrameCharts')).FrameCharts }))

interface Props {
  logged: Logged<FrameLog>
  changes: TwoChanges | null
}

/** What was logged frame by frame: what it says, drawn and as a table, and its logs. */
export function LoggedView({ logged, changes }: Props) {
  const { test, logs, rates } = logged
  return (
    <section aria-label={test} className="border-t-2 border-rule pt-2">
      <h3 className="flex flex-wrap items-baseline gap-x-2 font-semibold">
        {test}
        <span className="text-sm font-normal text-ink-2">frame times; a log is a run</span>
      </h3>
      {COMPARED_RATES.map((rate) => {
        const { against, effects } = rates[rate]
        const lengths = lengthWords(rates[rate])
        return (
          against.after && (
            <div key={rate} className="mt-1">
              <h4 className="text-[0.93rem] font-medium">{capital(RATE_WORDS[rate])}</h4>
              <Verdict comparison={against.after} unit="frames/s" />
              {lengths && <p className="text-sm text-ink-2">{lengths}</p>}
              {changes && effects && <Effects effects={effects} changes={changes} />}
            </div>
          )
        )
      })}
      <Suspense fallback={<div className="h-96" />}>
        <FrameCharts logged={logged} changes={changes} />
      </Suspense>
      <FiguresTable logged={logged} changes={changes} />
      <Logs logs={logs} changes={changes} />
    </section>
  )
}

/** Which part of the logs is compared; empty where it is all of them. */
function lengthWords({ cutTo, notCompared }: LoggedRate): string {
  const cut =
    cutTo === null
      ? []
      : [`Compared over the first ${tidy(cutTo, 0)} s of each log: longer logs hold rarer frames.`]
  const left =
    notCompared === 0
      ? []
      : [
          `${plural(notCompared, 'log')} not compared: too short for this figure, or kept before logs could be cut; read the file in again.`,
        ]
  return [...cut, ...left].join(' ')
}

function FiguresTable({ logged: { logs }, changes }: Props) {
  const measured = configurationsOf(changes).filter(({ value }) => logs[value])
  const row = (name: string, cell: (figures: FrameFigures[]) => string) => (
    <tr key={name} className="border-t border-rule align-top">
      <th scope="row" className="py-0.5 pr-2 text-left font-normal">
        {name}
      </th>
      {measured.map(({ value }) => (
        <td key={value} className="pl-2 whitespace-nowrap">
          {cell((logs[value] ?? []).map(({ figures }) => figures))}
        </td>
      ))}
    </tr>
  )
  return (
    <table className="my-1 w-full text-right text-[0.93rem]">
      <thead className="text-sm text-ink-2">
        <tr>
          <th className="text-left font-normal">Frames a second, middle of the logs</th>
          {measured.map(({ value, label }) => (
            <th key={value} className="pl-2 font-normal">
              {label}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {FRAME_RATES.map((rate) =>
          row(capital(RATE_WORDS[rate]), (figures) =>
            tidy(median(figures.map((one) => one[rate])), 1),
          ),
        )}
        {row('Stutters a minute', (figures) =>
          tidy(
            perMinute(figures, ({ stutters }) => stutters),
            1,
          ),
        )}
        {row('Lost in them, s a minute', (figures) =>
          tidy(
            perMinute(figures, ({ lostSeconds }) => lostSeconds),
            2,
          ),
        )}
      </tbody>
    </table>
  )
}

function perMinute(figures: readonly FrameFigures[], of: (one: FrameFigures) => number): number {
  const seconds = figures.reduce((sum, one) => sum + one.seconds, 0)
  return (60 * figures.reduce((sum, one) => sum + of(one), 0)) / seconds
}

interface LogsProps {
  logs: Partial<Record<Configuration, FrameLog[]>>
  changes: TwoChanges | null
}

function Logs({ logs, changes }: LogsProps) {
  const { edit } = useJob()
  const all = configurationsOf(changes).flatMap(({ value, label }) =>
    (logs[value] ?? []).map((log) => ({ log, label })),
  )
  return (
    <Disclosure summary={<span className="text-sm">{plural(all.length, 'log')}</span>}>
      <ul>
        {all.map(({ log, label }) => (
          <li key={log.id} className="flex items-center gap-2 border-t border-rule text-sm">
            <span className="min-w-0 flex-1 truncate">
              {log.name || 'without a name'}, {label}, session {log.session}:{' '}
              {plural(log.figures.frames, 'frame')}, {tidy(log.figures.seconds, 0)} s
            </span>
            <IconButton
              label={`Remove ${log.name}, ${label}`}
              onClick={() => edit.act('', [removing('frames', log)])}
              look="remove"
            >
              <Trash2 size={16} aria-hidden />
            </IconButton>
          </li>
        ))}
      </ul>
    </Disclosure>
  )
}
