import { analyseFrames } from '@tembrix/core/bench/measure'
import type { FrameLog, NewOf } from '@tembrix/core/things/records'
import { useState } from 'react'
import { making } from '../../../../base/data'
import { uncapital } from '../../../../base/format'
import { Button } from '../../../../base/ui'
import { NoStart, useJob } from '../../base/file'
import { SimulatedMachinePanel, useSimulated } from '../../base/simulated'
import { outcomeWords } from '../../base/trials'
import { sessionLike } from './sessions'

const RUNS = 5
const LOGS = 3
const FRAMES = 4000
const FRAMES_TEST = 'Simulated: frames'

/** Measures on the simulated machine what would be measured on the real one, before or after: a session each time. */
export function SimulatedRuns() {
  const { file, edit } = useJob()
  const bench = useSimulated()
  const [said, setSaid] = useState('')
  const [stopped, setStopped] = useState(false)

  async function measure(configuration: 'before' | 'after') {
    const machine = bench.machineIn(configuration)
    if (!machine) return
    const { outcome } = await machine.start(bench.whole(configuration))
    const copy = await machine.bandwidth('copy', RUNS)
    setStopped(copy.length === 0)
    if (copy.length === 0) {
      setSaid(`Nothing to measure: ${uncapital(outcomeWords(outcome))}.`)
      return
    }
    const shared = { configuration, note: 'simulated' }
    const bandwidth = { unit: 'GB/s', better: 'higher', ...shared } as const
    const latency = { unit: 'ns', better: 'lower', bandwidth: null, ...shared } as const
    const writes = [run(copy, { test: 'Simulated: copy', bandwidth: 'copy', ...bandwidth })]
    const reads = await machine.bandwidth('read', RUNS)
    writes.push(run(reads, { test: 'Simulated: read', bandwidth: 'read', ...bandwidth }))
    writes.push(run(await machine.latency(RUNS), { test: 'Simulated: latency', ...latency }))
    const session = 1 + Math.max(0, ...file.frames.filter(isOurs(configuration)).map(numberOf))
    for (let at = 1; at <= LOGS; at += 1) {
      const frames = analyseFrames(Float64Array.from(await machine.frames(FRAMES)))
      if (!frames) continue
      const { figures, bins, line } = frames
      const about = { test: FRAMES_TEST, session, name: `simulated ${session}.${at}` }
      const fields = { ...about, configuration, figures, bins, line, ...like() }
      writes.push(making('frames', { jobId: file.id, ...fields }))
    }
    edit.act('what was measured', writes)
    setSaid(`Measured ${configuration}: ${uncapital(outcomeWords(outcome))}.`)
  }

  function run(runs: readonly number[], fields: Omit<NewOf<'measurements'>, 'jobId' | 'runs'>) {
    const printed = runs.map((run) => Number(run.toPrecision(4)))
    return making('measurements', { jobId: file.id, ...fields, runs: printed, ...like() })
  }

  const like = () => sessionLike(file.measurements.at(-1))

  return (
    <>
      <SimulatedMachinePanel bench={bench} said={said}>
        <Button onClick={() => measure('before')}>Measure it as it was</Button>
        <Button onClick={() => measure('after')}>Measure it as planned</Button>
      </SimulatedMachinePanel>
      {bench.machine && stopped && <NoStart label="Find its fault" />}
    </>
  )
}

const isOurs = (configuration: string) => (log: FrameLog) =>
  log.test === FRAMES_TEST && log.configuration === configuration
const numberOf = ({ session }: FrameLog) => session
