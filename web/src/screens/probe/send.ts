import type { Configuration } from '@tembrix/core/bench/measure'
import type { ProbeRuns, TwoChanges } from '@tembrix/core/things/records'
import { API } from '../../base/data'
import { beyondCaches, type ProbeResult, type ProbeRun } from './measure'

export interface OpenedCode {
  token: string
  number: number
  changes: TwoChanges | null
}

type Answer<T> = { ok: true; body: T } | { ok: false; why: string }

export const openCode = (code: string): Promise<Answer<OpenedCode>> => post('open', { code })

export const sendRuns = (
  { token }: OpenedCode,
  configuration: Configuration,
  taken: ProbeRun,
): Promise<Answer<{ busy: boolean }>> =>
  post('runs', { token, configuration, measurements: runsOf(taken) } satisfies ProbeRuns)

export const NAMES: Record<ProbeResult['mode'], { test: string; unit: string }> = {
  copy: { test: 'Probe: copy bandwidth', unit: 'GB/s' },
  read: { test: 'Probe: read bandwidth', unit: 'GB/s' },
  write: { test: 'Probe: write bandwidth', unit: 'GB/s' },
  latency: { test: 'Probe: latency', unit: 'ns' },
}

/** A bandwidth that a cache may have given is none that tells of channels. */
function runsOf({ plan, measured }: ProbeRun): ProbeRuns['measurements'] {
  const sure = beyondCaches(plan)
  const size = `${Math.round(plan.bytes / 2 ** 20)} MB`
  return measured.map(({ mode, runs, workers }) => ({
    ...NAMES[mode],
    better: mode === 'latency' ? 'lower' : 'higher',
    bandwidth: mode === 'latency' || !sure ? null : mode,
    runs: runs.map((run) => Number(run.toPrecision(5))),
    note: [
      'in the browser',
      workers === 1 ? 'one worker' : `${workers} workers`,
      ...(sure ? [] : [`arrays of ${size} only, partly in the cache`]),
    ].join(', '),
  }))
}

async function post<T>(path: string, body: unknown): Promise<Answer<T>> {
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
