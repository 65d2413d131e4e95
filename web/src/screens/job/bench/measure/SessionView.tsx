import { looksBusy, type SessionOf, type TypedFault, typedRuns } from '@tembrix/core/bench/measure'
import type { Configuration } from '@tembrix/core/things/model'
import { type Measurement, MeasurementChange } from '@tembrix/core/things/records'
import { Plus, Trash2 } from 'lucide-react'
import { useState } from 'react'
import { making, removing } from '../../../../base/data'
import { dayAndTime, numberFrom, plural } from '../../../../base/format'
import { Button, Check, Disclosure, Field, IconButton, TextInput } from '../../../../base/ui'
import { useJob } from '../../base/file'
import { ConditionFields } from './ConditionFields'
import { conditionsInWords, faultWords, leftOutWords, sessionLike } from './sessions'

/** What every session of a test has in common. */
export type TestFields = Pick<Measurement, 'test' | 'unit' | 'better' | 'bandwidth' | 'work'>

interface Props {
  about: TestFields
  configuration: Configuration
  label: string
  sessions: readonly SessionOf<Measurement>[]
  /** The session made last, in whichever configuration: what it was run under is taken over. */
  last: Measurement | undefined
}

/** The sessions of a test in one configuration; with none yet, a place for the first. */
export function Sessions({ about, configuration, label, sessions, last }: Props) {
  const { file, edit } = useJob()
  function add(runs: readonly number[]) {
    const of = { jobId: file.id, configuration, runs: [...runs] }
    const fields = { ...about, ...of, ...sessionLike(last) }
    edit.act('', [making('measurements', fields)])
  }
  const [first, ...further] = sessions
  return (
    <section aria-label={`Sessions, ${label}`} className="flex flex-col gap-2">
      <SessionView about={about} session={first} label={label} onFirst={add} />
      {further.map((session, at) => (
        <SessionView
          key={session.record?.id}
          about={about}
          session={session}
          label={`${label}, session ${at + 2}`}
          onFirst={add}
        />
      ))}
      {sessions.some(({ runs }) => runs.length > 0) && (
        <Button
          look="quiet"
          className="self-start"
          aria-label={`A further session, ${label}`}
          onClick={() => add([])}
        >
          <Plus size={16} aria-hidden /> Session
        </Button>
      )}
    </section>
  )
}

interface SessionProps {
  about: TestFields
  /** Undefined before the first run of the first one. */
  session: SessionOf<Measurement> | undefined
  label: string
  onFirst: (runs: readonly number[]) => void
}

/** One session: its runs, what it was run under, and whether it counts. */
function SessionView({ about, session, label, onFirst }: SessionProps) {
  const { edit } = useJob()
  const [typed, setTyped] = useState<string | null>(null)
  const [fault, setFault] = useState<TypedFault | null>(null)
  const record = session?.record
  const runs = record?.runs ?? []

  function type(text: string) {
    setTyped(text)
    const read = typedRuns(text, about.unit)
    setFault(read.fault)
    if (!read.runs) return
    if (record) edit.step('measurements', record, { runs: read.runs })
    else if (read.runs.length > 0) onFirst(read.runs)
  }

  return (
    <div className={session?.leftOut ? 'border-l-4 border-rule-2 bg-sheet-2 pl-2' : ''}>
      <Field
        label={label}
        error={fault ? faultWords(fault) : undefined}
        hint={record ? whatItIs(record) : `As 31.5, 31.2${about.unit === 's' ? ' or 1:20' : ''}.`}
      >
        {(control) => (
          <TextInput {...control} lines={2} value={typed ?? runs.join(' ')} onValue={type} />
        )}
      </Field>
      {session?.leftOut && <p className="text-sm font-medium">{leftOutWords(session.leftOut)}</p>}
      {record && !record.busy && looksBusy(runs) && (
        <p className="text-sm font-medium text-risk">
          These runs scatter as they do while something else is busy: run again, and mark this one.
        </p>
      )}
      {record && (
        <About
          record={record}
          label={label}
          onRemoved={() => {
            setTyped(null)
            setFault(null)
          }}
        />
      )}
    </div>
  )
}

const whatItIs = ({ at, runs, note }: Measurement): string =>
  [
    at ? dayAndTime(at) : 'time not noted',
    plural(runs.length, 'run'),
    ...(note ? [note] : []),
  ].join(', ')

interface AboutProps {
  record: Measurement
  label: string
  onRemoved: () => void
}

/** What a session was run under, whether it counts, and the way to remove it. */
function About({ record, label, onRemoved }: AboutProps) {
  const { edit } = useJob()
  const { busy, conditions, failed, test } = record
  const set = (fields: MeasurementChange) => edit.step('measurements', record, fields)
  return (
    <Disclosure
      summary={
        <span className="text-sm">{conditionsInWords(conditions) || 'Conditions not noted'}</span>
      }
    >
      <ConditionFields conditions={conditions} onConditions={(next) => set({ conditions: next })} />
      <Check
        label="Something else was busy: do not count it"
        checked={busy}
        onChecked={(next) => set({ busy: next })}
      />
      <div className="flex items-end gap-2">
        <Field label="Failed" className="w-20">
          {(control) => (
            <TextInput
              {...control}
              inputMode="numeric"
              value={failed}
              onValue={(text) => {
                const count = MeasurementChange.shape.failed.safeParse(numberFrom(text) ?? 0)
                if (count.success) set({ failed: count.data })
              }}
            />
          )}
        </Field>
        <IconButton
          label={`Remove ${test}, ${label}`}
          onClick={() => {
            onRemoved()
            edit.act('', [removing('measurements', record)])
          }}
          look="remove"
          className="ml-auto"
        >
          <Trash2 size={16} aria-hidden />
        </IconButton>
      </div>
    </Disclosure>
  )
}
