import { seenIn } from '@tembrix/core/bench/diagnose'
import { read } from '@tembrix/core/reading/inputs'
import { useState } from 'react'
import { Button } from '../../../../base/ui'
import { NoStart, useJob, useVerification } from '../file'
import { outcomeWords } from '../trials'
import { SimulatedMachinePanel } from './SimulatedMachinePanel'
import { startWords, useSimulated } from './useSimulated'

/** Starts the simulated machine as planned, and takes in what its table and setup show. */
export function SimulatedStart() {
  const { machine } = useJob()
  const { record, set } = useVerification()
  const bench = useSimulated()
  const [said, setSaid] = useState('')
  const [stopped, setStopped] = useState(false)

  async function start() {
    if (!bench.machine) return
    const started = await bench.machine.start(bench.whole('after'))
    const { table, setup, system } = await bench.machine.show()
    const shows = table && setup && system
    setStopped(!shows)
    setSaid(
      `${outcomeWords(started.outcome)}.${startWords(started)}${shows ? '' : ' Nothing can be read out.'}`,
    )
    if (!shows) return
    const seen = seenIn(read(table), machine)
    const totalGiB = Math.round(system.usableGiB * 10) / 10
    const slots = seen?.slots ?? {}
    set({ seen: { ...record.seen, ...seen, slots, totalGiB, cl: setup.cl } })
  }

  return (
    <>
      <SimulatedMachinePanel bench={bench} said={said}>
        <Button onClick={start}>Start it and read it out</Button>
      </SimulatedMachinePanel>
      {bench.machine && stopped && <NoStart label="Find its fault" />}
    </>
  )
}
