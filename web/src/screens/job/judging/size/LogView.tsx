import {
  type CardUse,
  guessLogColumns,
  LOG_UNITS,
  type LogColumns,
  type LogUnit,
} from '@tembrix/core/judging/sizing'
import type { LoggedUse } from '@tembrix/core/things/records'
import { useEffect, useState } from 'react'
import type { RecordForm } from '../../../../base/form'
import { list, numberFrom, plural, tidy } from '../../../../base/format'
import { Button, Check, callout, Dialog, Field, Select, TextInput } from '../../../../base/ui'
import { inWorker } from '../../../../base/worker'
import { type OpenedTable, TableFile } from '../../../../parts/tableFile'
import { type JobNeed, useJob } from '../../base/file'
import { sharePercent } from '../plan'
import type { LogQuestion, LogRead } from './logWorker'

const UNIT_NAMES: Record<LogUnit, string> = {
  bytes: 'bytes',
  kB: 'kB (1,024 bytes)',
  MB: 'MB (1,024 kB)',
  GB: 'GB (1,024 MB)',
  percent: '% of what is fitted',
}

interface Props {
  form: RecordForm
  installedGiB: number
  need: JobNeed
}

/** Logs of memory in use, of the working day and of single uses, with their import. */
export function LogView({ form, installedGiB, need }: Props) {
  const { file } = useJob()
  const [opened, setOpened] = useState<OpenedTable | null>(null)
  const { log, useLogs } = file.sizing
  const nameOf = (use: string) => need.table.uses.find(({ id }) => id === use)?.name ?? use
  const uses = file.sizing.uses.map(({ use }) => ({ value: use, label: nameOf(use) }))
  const count = useLogs.length + (log ? 1 : 0)
  return (
    <section aria-label="Measured" className="flex flex-col gap-1.5">
      <h3 className="font-semibold">Measured</h3>
      {log && <OneLog log={log} onRemove={() => form.set(null, 'sizing', 'log')} />}
      {useLogs.map((one) => (
        <OneLog
          key={one.use}
          log={one}
          during={nameOf(one.use)}
          onRemove={() =>
            form.set(
              useLogs.filter((other) => other !== one),
              'sizing',
              'useLogs',
            )
          }
        />
      ))}
      {count === 0 && (
        <p className="text-[0.93rem] text-ink-2">
          Better than rules of thumb: a log of the memory in use, taken while the customer does the
          real work; one of the working day, or one for each use.
        </p>
      )}
      <TableFile label="Memory log" largest={20_000_000} mostRows={1_000_000} onTable={setOpened}>
        {count > 0 ? 'Import another (CSV)' : 'Import a log (CSV)'}
      </TableFile>
      {opened && (
        <LogDialog
          opened={opened}
          fitted={installedGiB}
          uses={uses}
          onClose={() => setOpened(null)}
          onTake={(taken, use) => {
            if (use === '') form.set(taken, 'sizing', 'log')
            else {
              const others = useLogs.filter((one) => one.use !== use)
              form.set([...others, { ...taken, use }], 'sizing', 'useLogs')
            }
            setOpened(null)
          }}
        />
      )}
    </section>
  )
}

interface OneLogProps {
  log: LoggedUse
  /** The use it was taken of; the working day without one. */
  during?: string
  onRemove: () => void
}

function OneLog({ log, during, onRemove }: OneLogProps) {
  const { card } = log
  return (
    <div className={callout({ tone: 'note', className: 'flex items-start gap-2' })}>
      <p className="flex-1 text-[0.93rem]">
        {during && <b className="font-semibold">{during}: </b>}
        <b className="font-semibold">{log.name}</b>: peak{' '}
        <b className="font-semibold">
          {log.cutOff ? 'at least ' : ''}
          {tidy(log.peakGiB, 1)} GB
        </b>
        , 99 % of the time within {tidy(log.p99GiB, 1)} GB, above 90 % of {tidy(log.installedGiB)}{' '}
        GB for {sharePercent(log.tightShare)} of the time. {plural(log.count, 'sample')}
        {log.spanSeconds !== null && ` over ${span(log.spanSeconds)}`}.
        {card && ` ${cardWords(card)}`}
      </p>
      <Button
        look="quiet"
        aria-label={during ? `Remove the log of ${during}` : 'Remove the log of the working day'}
        onClick={onRemove}
      >
        Remove
      </Button>
    </div>
  )
}

/** How the graphics card fared, as shares of the time. */
function cardWords({ full, busy, waits }: CardUse): string {
  const said = [
    full !== null && `its own memory was full for ${sharePercent(full)}`,
    busy !== null && `it was at full load for ${sharePercent(busy)}`,
    waits !== null && `it waited for ${sharePercent(waits)}`,
  ].filter((one) => one !== false)
  return `The graphics card: ${list(said)} of the time.`
}

function span(seconds: number): string {
  if (seconds < 120) return plural(Math.round(seconds), 'second')
  if (seconds < 7200) return plural(Math.round(seconds / 60), 'minute')
  if (seconds < 172_800) return `${tidy(seconds / 3600, 1)} hours`
  return `${tidy(seconds / 86_400, 1)} days`
}

interface LogDialogProps {
  opened: OpenedTable
  fitted: number
  /** The uses a log may be of. */
  uses: readonly { value: string; label: string }[]
  onClose: () => void
  /** `use` is empty for the working day. */
  onTake: (log: LoggedUse, use: string) => void
}

/** Which column holds what, with what comes of it shown before it is taken. */
function LogDialog({ opened: { name, table }, fitted, uses, onClose, onTake }: LogDialogProps) {
  const [use, setUse] = useState('')
  const [cardSize, setCardSize] = useState('')
  const [columns, setColumns] = useState<LogColumns>(() => guessLogColumns(table))
  const [installed, setInstalled] = useState(fitted > 0 ? String(fitted) : '')
  const installedGiB = numberFrom(installed)
  const known = typeof installedGiB === 'number' && installedGiB > 0 ? installedGiB : null
  const typedCard = numberFrom(cardSize)
  const cardGiB = typeof typedCard === 'number' && typedCard > 0 ? typedCard : null
  const { read, isReading } = useLogRead(table, columns, known, cardGiB)
  const { summary = null, badLines = [], written = null } = read ?? {}
  const headings = table.headings.map((value) => ({ value, label: value || '(no heading)' }))
  const optional = (label: string, field: 'cache' | 'graphics' | 'load', hint?: string) => (
    <Field label={label} hint={hint}>
      {(control) => (
        <Select
          {...control}
          value={columns[field] ?? ''}
          options={[{ value: '', label: 'not logged' }, ...headings]}
          onValue={(value) => setColumns({ ...columns, [field]: value || null })}
        />
      )}
    </Field>
  )
  const over = summary && known !== null && summary.peakGiB > known * 1.05
  return (
    <Dialog open onOpen={onClose} title={`Log: ${name}`}>
      <div className="grid grid-cols-2 gap-3">
        <Field label="Memory in use">
          {(control) => (
            <Select
              {...control}
              value={columns.used}
              options={headings}
              onValue={(used) => setColumns({ ...columns, used })}
            />
          )}
        </Field>
        <Field label="In">
          {(control) => (
            <Select
              {...control}
              value={columns.unit}
              options={LOG_UNITS.map((value) => ({ value, label: UNIT_NAMES[value] }))}
              onValue={(unit) => setColumns({ ...columns, unit })}
            />
          )}
        </Field>
        <Check
          label="It holds what is free, not what is in use"
          checked={columns.free ?? false}
          onChecked={(free) => setColumns({ ...columns, free })}
        />
        <Field label="Time">
          {(control) => (
            <Select
              {...control}
              value={columns.time ?? ''}
              options={[{ value: '', label: 'none' }, ...headings]}
              onValue={(time) => setColumns({ ...columns, time: time || null })}
            />
          )}
        </Field>
        <Field label="Hard faults a second">
          {(control) => (
            <Select
              {...control}
              value={columns.faults ?? ''}
              options={[{ value: '', label: 'not logged' }, ...headings]}
              onValue={(faults) => setColumns({ ...columns, faults: faults || null })}
            />
          )}
        </Field>
        {optional('File cache', 'cache', 'Only where the memory in use holds it: it is taken off.')}
        {optional('Graphics memory in use', 'graphics')}
        {columns.graphics && (
          <Field
            label="The card’s own memory, GB"
            hint="Empty: whether it was full is not said."
            error={cardSize !== '' && cardGiB === null ? 'An amount of memory.' : undefined}
          >
            {(control) => (
              <TextInput {...control} inputMode="decimal" value={cardSize} onValue={setCardSize} />
            )}
          </Field>
        )}
        {optional('Graphics load, %', 'load')}
        <Field label="Taken during">
          {(control) => (
            <Select
              {...control}
              value={use}
              options={[{ value: '', label: 'the working day' }, ...uses]}
              onValue={setUse}
            />
          )}
        </Field>
        <Field
          label="Fitted at the time, GB"
          error={known === null ? 'Say how much was fitted.' : undefined}
        >
          {(control) => (
            <TextInput {...control} inputMode="decimal" value={installed} onValue={setInstalled} />
          )}
        </Field>
      </div>
      <p aria-live="polite" className={callout({ tone: 'note', className: 'my-3' })}>
        {isReading && 'Reading the log… '}
        {summary
          ? `${plural(summary.count, 'sample')}: peak ${tidy(summary.peakGiB, 2)} GB, 99 % within ${tidy(summary.p99GiB, 2)} GB.`
          : !isReading && 'No line of this column can be read as memory in use.'}
        {summary?.cutOff && ' The peak reaches what was fitted: it is a lower bound.'}
        {summary &&
          summary.pagingShare !== null &&
          ` About ${tidy(summary.pagingShare * 100, 0)} % of the time was lost to paging.`}
      </p>
      {written && (
        <p className="mb-3 text-sm">
          Memory in use: “{written.example}” is read as {written.value ?? 'no number'}.
        </p>
      )}
      {over && (
        <p className="mb-3 font-medium text-stop">
          More in use than was fitted: is the unit right?
        </p>
      )}
      {badLines.length > 0 && (
        <p className="mb-3 text-sm">
          {plural(badLines.length, 'line')} could not be read:{' '}
          {list(badLines.slice(0, 12).map(String))}
          {badLines.length > 12 && ' and more'}.
        </p>
      )}
      <div className="flex justify-end gap-3">
        <Button onClick={onClose}>Cancel</Button>
        <Button
          look="main"
          disabled={!summary || Boolean(over) || isReading}
          onClick={() =>
            summary &&
            known !== null &&
            onTake({ ...summary, name: name.slice(0, 200), installedGiB: known }, use)
          }
        >
          Take it
        </Button>
      </div>
    </Dialog>
  )
}

/** Reads the log in a worker; the former result stands until the new one is there. */
function useLogRead(
  table: OpenedTable['table'],
  columns: LogColumns,
  installedGiB: number | null,
  cardGiB: number | null,
) {
  const [read, setRead] = useState<LogRead | null>(null)
  const [isReading, setIsReading] = useState(installedGiB !== null)
  useEffect(() => {
    if (installedGiB === null) {
      setRead(null)
      setIsReading(false)
      return
    }
    const ending = new AbortController()
    setIsReading(true)
    inWorker<LogQuestion, LogRead>(
      () => new Worker(new URL('./logWorker.ts', import.meta.url), { type: 'module' }),
      { table, columns, installedGiB, cardGiB },
      { signal: ending.signal },
    ).then(
      (all) => {
        setRead(all)
        setIsReading(false)
      },
      () => {
        if (ending.signal.aborted) return
        setRead(null)
        setIsReading(false)
      },
    )
    return () => ending.abort()
  }, [table, columns, installedGiB, cardGiB])
  return { read, isReading }
}
