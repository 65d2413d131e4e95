import type { Moment, ProbeRuns } from '@tembrix/core/records'
import { type FormEvent, useEffect, useRef, useState } from 'react'
import { API } from '../data'
import { Button, Field, Message, Select, TextInput, tidy } from '../ui'
import { type Measured, measureAll, planFor } from './measure'

type State =
  | { kind: 'code' }
  | { kind: 'opened'; token: string; number: number }
  | { kind: 'measuring'; share: number }
  | { kind: 'sent'; measured: Measured[]; number: number }

const NAMES: Record<Measured['mode'], { test: string; unit: string }> = {
  copy: { test: 'Probe: copy bandwidth', unit: 'GB/s' },
  read: { test: 'Probe: read bandwidth', unit: 'GB/s' },
  write: { test: 'Probe: write bandwidth', unit: 'GB/s' },
  latency: { test: 'Probe: latency', unit: 'ns' },
}

/** Opened on the customer's machine: measures its memory in the browser and sends the runs to the job. */
export function Probe() {
  const [state, setState] = useState<State>({ kind: 'code' })
  const [code, setCode] = useState('')
  const [moment, setMoment] = useState<Moment>('after')
  const [fault, setFault] = useState('')
  const running = useRef<AbortController | null>(null)
  const memory = (navigator as { deviceMemory?: number }).deviceMemory ?? 4
  useEffect(() => () => running.current?.abort(), [])

  async function open(event: FormEvent) {
    event.preventDefault()
    setFault('')
    const answer = await post('open', { code })
    if (answer.ok)
      setState({ kind: 'opened', ...(answer.body as { token: string; number: number }) })
    else setFault(answer.why)
  }

  async function measure(token: string, number: number) {
    setFault('')
    const ending = new AbortController()
    running.current = ending
    const away = () => {
      if (document.visibilityState === 'hidden') {
        ending.abort(new Error('The page was put away: a browser slows what nobody looks at.'))
      }
    }
    document.addEventListener('visibilitychange', away)
    setState({ kind: 'measuring', share: 0 })
    try {
      const short = new URLSearchParams(location.search).has('short')
      const plan = planFor(memory, navigator.hardwareConcurrency ?? 2, short)
      const measured = await measureAll(plan, ending.signal, (share) =>
        setState({ kind: 'measuring', share }),
      )
      const answer = await post('runs', { token, moment, measurements: measured.map(sent) })
      if (!answer.ok) throw new Error(answer.why)
      setState({ kind: 'sent', measured, number })
    } catch (error) {
      const why = ending.signal.aborted ? ending.signal.reason : error
      setFault(why instanceof Error ? why.message : String(why))
      setState({ kind: 'opened', token, number })
    } finally {
      document.removeEventListener('visibilitychange', away)
    }
  }

  return (
    <main className="mx-auto flex min-h-dvh max-w-md flex-col gap-4 bg-sheet p-4">
      <h1 className="border-b-2 border-ink pb-2 text-xl font-bold">Memory probe</h1>
      {fault && (
        <p role="alert" className="border-l-4 border-stop bg-stop-soft px-3 py-2">
          {fault}
        </p>
      )}
      {state.kind === 'code' && (
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
      )}
      {state.kind === 'opened' && (
        <div className="flex flex-col gap-3">
          <p>
            Job <b className="font-mono">{state.number}</b>. Close other programs, plug the charger
            in, and leave this page in front until it is done: about half a minute.
          </p>
          {memory < 4 && (
            <p className="text-risk">
              The browser tells of {memory} GB only: it measures with small arrays, which may lie
              partly in the cache.
            </p>
          )}
          <Field label="The machine is as it was">
            {(control) => (
              <Select
                {...control}
                value={moment}
                options={[
                  { value: 'before', label: 'before the change' },
                  { value: 'after', label: 'after the change' },
                ]}
                onValue={setMoment}
              />
            )}
          </Field>
          <Button look="main" onClick={() => measure(state.token, state.number)}>
            Measure
          </Button>
        </div>
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
      {state.kind === 'sent' && <Sent measured={state.measured} number={state.number} />}
      <p className="mt-auto text-sm text-ink-2">
        A browser reaches less than a program would, and shares the machine with what else runs.
        Before and after, measured alike, can be compared.
      </p>
    </main>
  )
}

function Sent({ measured, number }: { measured: readonly Measured[]; number: number }) {
  return (
    <>
      <Message title={`Sent to job ${number}`}>
        <p>This page can be closed.</p>
      </Message>
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
    </>
  )
}

function sent({ mode, runs, workers }: Measured): ProbeRuns['measurements'][number] {
  return {
    ...NAMES[mode],
    better: mode === 'latency' ? 'lower' : 'higher',
    bandwidth: mode === 'latency' ? null : mode,
    runs: runs.map((run) => Number(run.toPrecision(5))),
    note: `in the browser, ${workers === 1 ? 'one worker' : `${workers} workers`}`,
  }
}

async function post(
  path: string,
  body: unknown,
): Promise<{ ok: true; body: unknown } | { ok: false; why: string }> {
  try {
    const response = await fetch(`${API}/probe/${path}`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(body),
    })
    const answer = await response.json()
    if (response.ok) return { ok: true, body: answer }
    return { ok: false, why: answer?.error?.message ?? 'The server did not accept it.' }
  } catch {
    return { ok: false, why: 'The server does not answer.' }
  }
}
