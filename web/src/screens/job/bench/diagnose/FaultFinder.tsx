import { proposals, type Trial, type TrialOutcome, verdict } from '@tembrix/core/bench/diagnose'
import { SlidersHorizontal } from 'lucide-react'
import { useMemo, useState } from 'react'
import { useTechnician } from '../../../../base/shell'
import { Button } from '../../../../base/ui'
import { CausesDialog } from '../../../../parts/shop'
import type { Verifying } from '../../base/file'
import { SimulatedMachinePanel, startWords, useSimulated } from '../../base/simulated'
import { outcomeWords, useModuleNames } from '../../base/trials'
import { keptTrial } from './keptTrial'
import { firstTrial, NextTrial, type Noted } from './NextTrial'
import { Suspects } from './Suspects'
import { TrialList } from './TrialList'

/** Which trial tells most for its minutes, what each outcome would mean, and in the end the part by its name. */
export function FaultFinder({ verifying }: { verifying: Verifying }) {
  const { record, trials, suspicion, opened, set } = verifying
  const [technician] = useTechnician()
  const [chosen, setChosen] = useState(0)
  const [own, setOwn] = useState<Trial | null>(null)
  const [table, setTable] = useState(false)
  const [said, setSaid] = useState('')
  const bench = useSimulated()
  const name = useModuleNames()
  const offered = useMemo(
    () =>
      !suspicion || trials.length === 0 || verdict(suspicion, trials)
        ? []
        : proposals(suspicion, trials, 4),
    [suspicion, trials],
  )
  const asItStands = useMemo(() => (suspicion ? firstTrial(suspicion) : undefined), [suspicion])
  const next = trials.length === 0 ? asItStands : (offered[chosen] ?? offered[0])?.trial
  const trial = own ?? next
  if (!suspicion) {
    return <p>There is nothing to look for: no module is planned.</p>
  }

  function note(made: Trial, outcome: TrialOutcome, how: Noted = {}) {
    const all = [...trials, { ...made, outcome, ...how }]
    set({ trials: all.map((one) => keptTrial(one, technician)) })
    setChosen(0)
    setOwn(null)
  }

  async function makeOn(trial: Trial) {
    const start = await bench.machine?.start(trial)
    if (!start) return
    setSaid(`${outcomeWords(start.outcome)}.${startWords(start)}`)
    note(trial, start.outcome)
  }

  return (
    <>
      <NextTrial
        key={trials.length}
        suspicion={suspicion}
        offered={offered}
        trial={trial}
        chosen={chosen}
        onChoose={setChosen}
        own={own}
        onOwn={setOwn}
        onOutcome={note}
        trials={trials}
        opened={opened}
        name={name}
      />
      {trials.length > 0 && <TrialList verifying={verifying} suspicion={suspicion} />}
      <Suspects suspicion={suspicion} name={name} />
      <SimulatedMachinePanel bench={bench} fresh={record.trials.length === 0} said={said}>
        {trial && <Button onClick={() => makeOn(trial)}>Make the trial on it</Button>}
      </SimulatedMachinePanel>
      <Button look="quiet" className="self-start" onClick={() => setTable(true)}>
        <SlidersHorizontal size={17} aria-hidden /> How often each cause is met
      </Button>
      {table && <CausesDialog onClose={() => setTable(false)} />}
    </>
  )
}
