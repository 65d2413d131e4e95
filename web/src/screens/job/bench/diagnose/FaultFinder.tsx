import { judged, type Trial, type TrialOutcome } from '@tembrix/core/bench/diagnose'
import { SlidersHorizontal } from 'lucide-react'
import { useMemo, useState } from 'react'
import { useTechnician } from '../../../../base/shell'
import { Button, callout } from '../../../../base/ui'
import { CausesDialog } from '../../../../parts/shop'
import { useJob, type Verifying } from '../../base/file'
import { PartsAbsent } from '../../base/parts'
import { SimulatedMachinePanel, startWords, useSimulated } from '../../base/simulated'
import { outcomeWords, useModuleNames } from '../../base/trials'
import { EndOfSearch } from './EndOfSearch'
import { keptTrial } from './keptTrial'
import { firstTrial, NextTrial, type Noted } from './NextTrial'
import { StopHere } from './StopHere'
import { Suspects } from './Suspects'
import { TrialList } from './TrialList'

/** Which trial tells most for its minutes, what each outcome would mean, and in the end the part by its name. */
export function FaultFinder({ verifying }: { verifying: Verifying }) {
  const { record, trials, search, opened, set } = verifying
  const { file } = useJob()
  const [technician] = useTechnician()
  const [chosen, setChosen] = useState(0)
  const [own, setOwn] = useState<Trial | null>(null)
  const [table, setTable] = useState(false)
  const [said, setSaid] = useState('')
  const [stopped, setStopped] = useState(false)
  const bench = useSimulated()
  const name = useModuleNames()
  const diagnosis = useMemo(() => (search ? judged(search) : null), [search])
  const asItStands = useMemo(() => (search ? firstTrial(search.suspicion) : undefined), [search])
  if (!search || !diagnosis) {
    return <p>There is nothing to look for: no module is planned.</p>
  }
  const { suspicion } = search
  const isOver = diagnosis.state !== 'open'
  const proposed = (diagnosis.next[chosen] ?? diagnosis.next[0])?.trial
  const trial = own ?? (trials.length === 0 ? asItStands : proposed)

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
      {file.ownSettings?.found && trials.length <= 1 && (
        <p className={callout({ tone: 'ask' })}>
          <b>Settings back to defaults first.</b> This machine runs with settings of its owner’s
          making{file.ownSettings.what && ` (${file.ownSettings.what})`}: what they cause is no
          fault of a part. Note them before.
        </p>
      )}
      <PartsAbsent />
      {isOver && <EndOfSearch search={search} diagnosis={diagnosis} name={name} />}
      {stopped && !isOver && (
        <StopHere search={search} name={name} onGoOn={() => setStopped(false)} />
      )}
      {(!isOver || diagnosis.state === 'cannot-tell') && !stopped && (
        <NextTrial
          key={trials.length}
          search={search}
          offered={diagnosis.next}
          trial={trial}
          chosen={chosen}
          onChoose={setChosen}
          own={own}
          onOwn={setOwn}
          onOutcome={note}
          opened={opened}
          name={name}
          onStop={isOver ? null : () => setStopped(true)}
        />
      )}
      {trials.length > 0 && <TrialList verifying={verifying} search={search} name={name} />}
      <Suspects suspicion={suspicion} name={name} />
      <SimulatedMachinePanel bench={bench} fresh={record.trials.length === 0} said={said}>
        {trial && !isOver && <Button onClick={() => makeOn(trial)}>Make the trial on it</Button>}
      </SimulatedMachinePanel>
      <Button look="quiet" className="self-start" onClick={() => setTable(true)}>
        <SlidersHorizontal size={17} aria-hidden /> How often each cause is met
      </Button>
      {table && <CausesDialog onClose={() => setTable(false)} />}
    </>
  )
}
