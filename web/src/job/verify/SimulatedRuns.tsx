import { analyseFrames, type KeptRuns } from '@tembrix/core/measure'
import { useState } from 'react'
import { created, removed, useAppDispatch } from '../../data'
import { Button } from '../../ui'
import { useJob } from '../file'
import { Simulated } from './Simulated'
import { useModuleNames } from './useModuleNames'
import { useSimulated } from './useSimulated'
import type { Verifying } from './useVerify'
import { outcomeWords, uncapital } from './words'

const RUNS = 5
const LOGS = 3
const FRAMES = 4000
const FRAMES_TEST = 'Simulated: frames'

/**
 * Measures on the simulated machine what would be measured on the real one, before or after; what was
 * measured so earlier gives way.
 */
export function SimulatedRuns({ verifying: { suspicion } }: { verifying: Verifying }) {
  const { file, edit } = useJob()
  const dispatch = useAppDispatch()
  const bench = useSimulated()
  const name = useModuleNames()
  const [said, setSaid] = useState('')
  if (!suspicion) return null

  async function measure(configuration: 'before' | 'after') {
    const machine = bench.machineIn(configuration)
    if (!machine) return
    const { outcome } = await machine.start(bench.whole(configuration))
    const copy = await machine.bandwidth('copy', RUNS)
    if (copy.length === 0) {
      setSaid(`Nothing to measure: ${uncapital(outcomeWords(outcome))}.`)
      return
    }
    const shared = { configuration, note: 'simulated' }
    const bandwidth = { unit: 'GB/s', better: 'higher', ...shared } as const
    const latency = { unit: 'ns', better: 'lower', bandwidth: null, ...shared } as const
    keep({ test: 'Simulated: copy', bandwidth: 'copy', runs: copy, ...bandwidth })
    const reads = await machine.bandwidth('read', RUNS)
    keep({ test: 'Simulated: read', bandwidth: 'read', runs: reads, ...bandwidth })
    keep({ test: 'Simulated: latency', runs: await machine.latency(RUNS), ...latency })
    for (const log of file.frames) {
      if (log.test === FRAMES_TEST && log.configuration === configuration) {
        const target = { jobId: file.id, collection: 'frames' as const, recordId: log.id }
        dispatch(removed({ ...target, version: log.version }))
      }
    }
    for (let at = 1; at <= LOGS; at += 1) {
      const frames = analyseFrames(Float64Array.from(await machine.frames(FRAMES)))
      if (frames) keepLog(configuration, at, frames)
    }
    setSaid(`Measured ${configuration}: ${uncapital(outcomeWords(outcome))}.`)
  }

  function keep({ runs, ...fields }: Omit<KeptRuns, 'failed'>) {
    const rounded = runs.map((run) => Number(run.toPrecision(4)))
    const { test, configuration } = fields
    const known = file.measurements.find(
      (one) => one.test === test && one.configuration === configuration,
    )
    if (known) edit.set('measurements', known, { runs: rounded })
    else {
      const target = { jobId: file.id, collection: 'measurements' as const }
      const recordId = crypto.randomUUID()
      dispatch(created({ ...target, recordId }, { jobId: file.id, ...fields, runs: rounded }))
    }
  }

  function keepLog(
    configuration: string,
    at: number,
    { figures, bins, line }: NonNullable<ReturnType<typeof analyseFrames>>,
  ) {
    const about = { test: FRAMES_TEST, configuration, name: `simulated ${at}` }
    const target = { jobId: file.id, collection: 'frames' as const }
    const recordId = crypto.randomUUID()
    dispatch(created({ ...target, recordId }, { jobId: file.id, ...about, figures, bins, line }))
  }

  return (
    <Simulated bench={bench} suspicion={suspicion} name={name} said={said}>
      <Button onClick={() => measure('before')}>Measure it as it was</Button>
      <Button onClick={() => measure('after')}>Measure it as planned</Button>
    </Simulated>
  )
}
