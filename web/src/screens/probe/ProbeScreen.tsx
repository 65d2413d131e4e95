import type { Configuration } from '@tembrix/core/bench/measure'
import { type FormEvent, useEffect, useRef, useState } from 'react'
import { tidy } from '../../base/format'
import { Button, callout, Field, Select, TextInput } from '../../base/ui'
import { configurationsOf } from '../../parts/configurations/configurations'
import { measureAll, type ProbeRun, planFor } from './measure'
import { NAMES, type OpenedCode, openCode, sendRuns } from './send'

type Length = 'full' | 'short'

type State =
  | { kind: 'code' }
  | { kind: 'opened'; opened: OpenedCode }
  | { kind: 'measuring'; share: number }
  | { kind: 'unsent'; opened: OpenedCode; taken: ProbeRun }
  | { kind: 'sent'; opened: OpenedCode; taken: ProbeRun; busy: boolean }

/** Opened on the customer's machine: measures its memory in the browser and sends the runs to the job. */
export function ProbeScreen() {
  const [state, setState] = useState<State>({ kind: 'code' })
  const [configuration, setConfiguration] = useState<Configuration>('after')
  const [fault, setFault] = useState('')
  const running = useRef<AbortController | null>(null)
  useEffect(() => () => running.current?.abort(), [])

  async function measure(opened: OpenedCode, length: Length) {
    setFault('')
    const ending = new AbortController()
    running.current = ending
    const away = () => {
      if (document.visibilityState === 'hidden') {
        ending.abort(
          new Error(
            'The page was in the background: a browser slows what nobody looks at. Nothing was sent.',
          ),
        )
      }
    }
    document.addEventListener('visibilitychange', away)
    setState({ kind: 'measuring', share: 0 })
    try {
      const plan = planFor(memoryGiB(), navigator.hardwareConcurrency ?? 2, length === 'short')
      const taken = await measureAll(plan, ending.signal, (share) =>
        setState({ kind: 'measuring', share }),
      )
      await send(opened, taken)
    } catch (error) {
      const why = ending.signal.aborted ? ending.signal.reason : error
      setFault(why instanceof Error ? why.message : String(why))
      setState({ kind: 'opened', opened })
    } finally {
      document.removeEventListener('visibilitychange', away)
    }
  }

  async function send(opened: OpenedCode, taken: ProbeRun) {
    setFault('')
    const answer = await sendRuns(opened, configuration, taken)
    if (answer.ok) setState({ kind: 'sent', opened, taken, busy: answer.body.busy })
    else {
      setFault(answer.why)
      setState({ kind: 'unsent', opened, taken })
    }
  }

  return (
    <main className="mx-auto flex min-h-dvh max-w-md flex-col gap-4 bg-sheet p-4">
      <h1 className="border-b-2 border-ink pb-2 text-xl font-bold">Memory probe</h1>
      {fault && (
        <p role="alert" className={callout({ tone: 'stop' })}>
          {fault}
        </p>
      )}
      {state.kind === 'code' && (
        <CodeForm onFault={setFault} onOpened={(opened) => setState({ kind: 'opened', opened })} />
      )}
      {state.kind === 'opened' && (
        <Begin
          opened={state.opened}
          configuration={configuration}
          onConfiguration={setConfiguration}
          onMeasure={(length) => measure(state.opened, length)}
        />
      )}
      {state.kind === 'measuring' && (
        <div className="flex flex-col gap-3" role="status">
          <progress className="h-3 w-full accent-act" value={state.share} aria-label="Measuring" />
          <p>Measuring, {Math.round(state.share * 100)} %…</p>
          <Button onClick={() => running.current?.abort(new Error('Stopped. Nothing was sent.'))}>
            Stop
          </Button>
        </div>
      )}
      {state.kind === 'unsent' && (
        <div className={callout({ tone: 'risk' })}>
          <h2 className="text-lg font-semibold">Measured, but not sent</h2>
          <p>The runs are kept here while this page stays open.</p>
          <Button look="main" className="mt-2" onClick={() => send(state.opened, state.taken)}>
            Send again
          </Button>
        </div>
      )}
      {state.kind === 'sent' && (
        <div className={callout({ tone: 'good' })} role="status">
          <h2 className="text-lg font-semibold">Sent to job {state.opened.number}</h2>
          {state.busy ? (
            <p>
              Something else was busy on this machine meanwhile: the rounds scatter too much to be
              counted. Close what runs and measure again with a new code.
            </p>
          ) : (
            <p>
              This page can be closed. For a further session restart the machine first, and take a
              new code.
            </p>
          )}
        </div>
      )}
      {(state.kind === 'sent' || state.kind === 'unsent') && <Figures taken={state.taken} />}
      <p className="mt-auto text-sm text-ink-2">
        A browser reaches less than a program would, and shares the machine with what else runs.
        Before and after, measured alike, can be compared.
      </p>
    </main>
  )
}

/** What the browser admits to of the machine's memory, 8 at most; it may not say. */
const memoryGiB = () => (navigator as { deviceMemory?: number }).deviceMemory ?? 4

interface CodeProps {
  onOpened: (opened: OpenedCode) => void
  onFault: (why: string) => void
}

function CodeForm({ onOpened, onFault }: CodeProps) {
  const [code, setCode] = useState('')

  async function open(event: FormEvent) {
    event.preventDefault()
    onFault('')
    const answer = await openCode(code)
    if (answer.ok) onOpened(answer.body)
    else onFault(answer.why)
  }

  return (
    <form onSubmit={open} className="flex flex-col gap-3">
      <Field label="Code from the job" hint="Six figures, good for 30 minutes, for one use.">
        {(control) => (
          <TextInput
            {...control}
            autoFocus
            inputMode="numeric"
            className="font-mono text-2xl tracking-widest"
            value={code}
            onValue={setCode}
          />
        )}
      </Field>
      <Button look="main" type="submit" disabled={code.replace(/\s/g, '').length !== 6}>
        Open
      </Button>
    </form>
  )
}

const WHEN = { before: 'before the change', after: 'after the change' }

interface BeginProps {
  opened: OpenedCode
  configuration: Configuration
  onConfiguration: (configuration: Configuration) => void
  onMeasure: (length: Length) => void
}

function Begin({ opened, configuration, onConfiguration, onMeasure }: BeginProps) {
  const [length, setLength] = useState<Length>('full')
  const memory = memoryGiB()
  return (
    <div className="flex flex-col gap-3">
      <p>
        Job <b className="font-mono">{opened.number}</b>. Close other programs, plug the charger in,
        and leave this page in front until it is done.
      </p>
      {memory < 4 && (
        <p className="text-risk">
          The browser tells of {memory} GB only: it measures with small arrays, which may lie partly
          in the cache.
        </p>
      )}
      <Field label="Measured">
        {(control) => (
          <Select
            {...control}
            value={configuration}
            options={configurationsOf(opened.changes).map(({ value, label }) => ({
              value,
              label: value in WHEN ? WHEN[value as keyof typeof WHEN] : `with ${label}`,
            }))}
            onValue={onConfiguration}
          />
        )}
      </Field>
      <Field label="Length">
        {(control) => (
          <Select
            {...control}
            value={length}
            options={[
              { value: 'full', label: 'full, about half a minute' },
              { value: 'short', label: 'short, a few seconds: says nothing of channels' },
            ]}
            onValue={setLength}
          />
        )}
      </Field>
      <Button look="main" onClick={() => onMeasure(length)}>
        Measure
      </Button>
    </div>
  )
}

function Figures({ taken: { measured } }: { taken: ProbeRun }) {
  return (
    <table className="w-full text-right">
      <thead className="text-sm text-ink-2">
        <tr>
          {['', 'middle', 'spread', 'workers'].map((name) => (
            <th key={name} className="font-normal">
              {name}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {measured.map(({ mode, runs, workers }) => {
          const sorted = [...runs].sort((a, b) => a - b)
          const middle = sorted[sorted.length >> 1] ?? 0
          const spread = ((sorted.at(-1) ?? 0) - (sorted[0] ?? 0)) / middle
          return (
            <tr key={mode} className="border-t border-rule">
              <th scope="row" className="text-left font-normal">
                {mode}
              </th>
              <td>
                {tidy(middle, 1)} {NAMES[mode].unit}
              </td>
              <td>{tidy(spread * 100, 0)} %</td>
              <td>{workers}</td>
            </tr>
          )
        })}
      </tbody>
    </table>
  )
}
