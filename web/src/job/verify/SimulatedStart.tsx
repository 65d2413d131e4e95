import { seenIn } from '@tembrix/core/diagnose'
import { read } from '@tembrix/core/readings'
import type { Verification } from '@tembrix/core/records'
import { useState } from 'react'
import { Button } from '../../ui'
import { useJob } from '../file'
import { Simulated } from './Simulated'
import { useModuleNames } from './useModuleNames'
import { trainingWords, useSimulated } from './useSimulated'
import type { Verifying } from './useVerify'
import { outcomeWords } from './words'

interface Props {
  verifying: Verifying
  onSeen: (changes: Partial<Verification['seen']>) => void
}

/** Starts the simulated machine as planned, and takes in what its table and setup show. */
export function SimulatedStart({ verifying: { suspicion }, onSeen }: Props) {
  const { machine } = useJob()
  const bench = useSimulated()
  const name = useModuleNames()
  const [said, setSaid] = useState('')
  if (!suspicion) return null

  async function start() {
    if (!bench.machine) return
    const started = await bench.machine.start(bench.whole('after'))
    const { table, setup, system } = await bench.machine.show()
    setSaid(`${outcomeWords(started.outcome)}.${trainingWords(started)}`)
    if (!table || !setup || !system) return
    const seen = seenIn(read(table), machine)
    const totalGiB = Math.round(system.usableGiB * 10) / 10
    onSeen({ ...seen, slots: seen?.slots ?? {}, totalGiB, cl: setup.cl })
  }

  return (
    <Simulated bench={bench} suspicion={suspicion} name={name} said={said}>
      <Button onClick={start}>Start it and read it out</Button>
    </Simulated>
  )
}
