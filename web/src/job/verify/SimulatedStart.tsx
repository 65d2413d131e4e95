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

/** Starts the simulated machine as planned, and takes in what its table and set-up screen show. */
export function SimulatedStart({ verifying: { suspicion }, onSeen }: Props) {
  const { machine } = useJob()
  const bench = useSimulated()
  const name = useModuleNames()
  const [said, setSaid] = useState('')
  if (!suspicion) return null

  async function start() {
    if (!bench.machine) return
    const started = await bench.machine.start(bench.whole('after'))
    const { table, setup } = await bench.machine.show()
    setSaid(`${outcomeWords(started.outcome)}.${trainingWords(started)}`)
    if (table && setup) onSeen({ ...seenIn(read(table), machine), cl: setup.cl })
  }

  return (
    <Simulated bench={bench} suspicion={suspicion} name={name} said={said}>
      <Button onClick={start}>Start it and read it out</Button>
    </Simulated>
  )
}
