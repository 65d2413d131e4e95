import { useState } from 'react'
import { Button } from '../../../../base/ui'
import { outcomeWords } from '../trials'
import { SimulatedMachinePanel } from './SimulatedMachinePanel'
import { startWords, useSimulated } from './useSimulated'

/** Starts the simulated machine as it is found; its report is read like any other. */
export function SimulatedFound({ onReport }: { onReport: (bytes: Uint8Array) => void }) {
  const bench = useSimulated()
  const [said, setSaid] = useState('')

  async function start() {
    const machine = bench.machineIn('before')
    if (!machine) return
    const started = await machine.start(bench.whole('before'))
    const { table } = await machine.show()
    const nothing = table ? '' : ' Nothing can be read out.'
    setSaid(`${outcomeWords(started.outcome)}.${startWords(started)}${nothing}`)
    if (table) onReport(table)
  }

  return (
    <SimulatedMachinePanel bench={bench} said={said}>
      <Button onClick={start}>Start it as found and read it out</Button>
    </SimulatedMachinePanel>
  )
}
