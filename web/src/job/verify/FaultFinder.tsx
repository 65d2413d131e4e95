import {
  type Made,
  meanings,
  minutesOfTrial,
  type Outcome,
  type Proposal,
  proposals,
  type Suspicion,
  suspects,
  type Trial,
  verdict,
} from '@tembrix/core/diagnose'
import { RotateCcw, SlidersHorizontal } from 'lucide-react'
import { useEffect, useMemo, useState } from 'react'
import { useTechnician } from '../../shell'
import { Button, list, Select, tidy } from '../../ui'
import { useBench } from '../bench'
import { CausesDialog } from './CausesDialog'
import { kept } from './kept'
import { OwnTrial } from './OwnTrial'
import { Simulated } from './Simulated'
import { SupplierNote } from './SupplierNote'
import { useModuleNames } from './useModuleNames'
import { trainingWords, useSimulated } from './useSimulated'
import { assignmentOf, type Verifying } from './useVerify'
import { capital, outcomeWords, partsWords, trialWords } from './words'

/** Which trial tells most for its minutes, what each outcome would mean, and in the end the part by its name. */
export function FaultFinder({ verifying }: { verifying: Verifying }) {
  const { record, trials, suspicion, set } = verifying
  const [technician] = useTechnician()
  const [chosen, setChosen] = useState(0)
  const [own, setOwn] = useState<Trial | null>(null)
  const [table, setTable] = useState(false)
  const [said, setSaid] = useState('')
  const bench = useSimulated()
  const name = useModuleNames()
  const offered = useMemo(
    () => (!suspicion || verdict(suspicion) ? [] : proposals(suspicion, 4)),
    [suspicion],
  )
  const trial = own ?? (offered[chosen] ?? offered[0])?.trial
  if (!suspicion) {
    return <p>There is nothing to look for: no module is planned, or more than eight.</p>
  }

  function note(trial: Trial, outcome: Outcome) {
    set({ trials: [...trials, { ...trial, outcome }].map((one) => kept(one, technician)) })
    setChosen(0)
    setOwn(null)
  }

  async function makeOn(trial: Trial) {
    const start = await bench.machine?.start(trial)
    if (!start) return
    setSaid(`${outcomeWords(start.outcome)}.${trainingWords(start)}`)
    note(trial, start.outcome)
  }

  return (
    <>
      {trials.length > 0 && <TrialList verifying={verifying} suspicion={suspicion} />}
      <Next
        key={trials.length}
        suspicion={suspicion}
        offered={offered}
        begun={trials.length > 0}
        chosen={chosen}
        onChoose={setChosen}
        own={own}
        onOwn={setOwn}
        onOutcome={note}
        trials={trials}
        name={name}
      />
      <Suspects suspicion={suspicion} name={name} />
      <Simulated
        bench={bench}
        suspicion={suspicion}
        name={name}
        fresh={record.trials.length === 0}
        said={said}
      >
        {trial && <Button onClick={() => makeOn(trial)}>Make the trial on it</Button>}
      </Simulated>
      <Button look="quiet" className="self-start" onClick={() => setTable(true)}>
        <SlidersHorizontal size={17} aria-hidden /> How often each cause is met
      </Button>
      {table && <CausesDialog onClose={() => setTable(false)} />}
    </>
  )
}

interface NextProps {
  suspicion: Suspicion
  offered: readonly Proposal[]
  begun: boolean
  chosen: number
  onChoose: (at: number) => void
  /** A trial of the technician's own in place of those offered. */
  own: Trial | null
  onOwn: (trial: Trial | null) => void
  trials: readonly Made[]
  onOutcome: (trial: Trial, outcome: Outcome) => void
  name: (module: string) => string
}

function Next(props: NextProps) {
  const { suspicion, offered, begun, chosen, own, onOwn, onOutcome, trials, name } = props
  const named = useMemo(() => verdict(suspicion), [suspicion])
  const { setShown, setLit } = useBench()
  const trial = own ?? (offered[chosen] ?? offered[0])?.trial
  useEffect(() => {
    if (!trial) return
    setShown(assignmentOf(trial.arrangement))
    setLit(Object.keys(trial.arrangement))
    return () => {
      setShown(null)
      setLit([])
    }
  }, [trial, setShown, setLit])

  if (named) {
    return <Verdict parts={named.parts} chance={named.chance} trials={trials} name={name} />
  }
  const { arrangement, profile } = suspicion
  return (
    <>
      {offered.length === 0 && <NoneTellsMore suspicion={suspicion} name={name} />}
      {trial && (
        <section aria-label="Next trial" className="border-l-8 border-act bg-sheet-2 px-4 py-3">
          <p className="text-sm text-ink-2">
            {own ? 'My own' : begun ? 'Try next' : 'Begin with'} · about{' '}
            {tidy(minutesOfTrial(arrangement, profile, trial), 0)} min
          </p>
          {own ? (
            <OwnTrial suspicion={suspicion} trial={own} onTrial={onOwn} name={name} />
          ) : (
            trialWords(arrangement, profile, trial, name).map((line) => (
              <p key={line} className="text-lg leading-snug">
                {line}
              </p>
            ))
          )}
          {Object.keys(trial.arrangement).length > 0 ? (
            <Outcomes suspicion={suspicion} trial={trial} onOutcome={onOutcome} name={name} />
          ) : (
            <p className="font-medium text-stop">Put a module in at least.</p>
          )}
        </section>
      )}
      <OtherTrials {...props} />
    </>
  )
}

function NoneTellsMore({ suspicion, name }: Pick<NextProps, 'suspicion' | 'name'>) {
  const [first] = suspects(suspicion)
  return (
    <section aria-label="Verdict" className="border-l-8 border-risk-line bg-risk-soft px-4 py-3">
      <p className="text-lg">
        <b className="font-semibold">No trial tells more.</b> Likeliest:{' '}
        {partsWords(first?.parts ?? [], name)}, {percent(first?.chance ?? 0)}.
      </p>
    </section>
  )
}

const OWN = 'own'

/** The other trials worth making, and one of the technician's own. */
function OtherTrials({ suspicion, offered, chosen, onChoose, own, onOwn, name }: NextProps) {
  const { arrangement, profile } = suspicion
  return (
    <div className="flex items-center gap-2 text-sm">
      or
      <Select
        aria-label="Another trial"
        value={own ? OWN : String(chosen)}
        options={[
          ...offered.map(({ trial, minutes }, at) => ({
            value: String(at),
            label: `${at === 0 ? 'this: ' : ''}${trialWords(arrangement, profile, trial, name)[0]} (${tidy(minutes, 0)} min)`,
          })),
          ...(offered.length === 0 && !own ? [{ value: '0', label: '–' }] : []),
          { value: OWN, label: 'my own: I put them otherwise' },
        ]}
        onValue={(at) => {
          if (at === OWN) onOwn({ arrangement, reseat: false, profile, depth: 'start' })
          else {
            onOwn(null)
            onChoose(Number(at))
          }
        }}
      />
    </div>
  )
}

function Outcomes({
  suspicion,
  trial,
  onOutcome,
  name,
}: Pick<NextProps, 'suspicion' | 'onOutcome' | 'name'> & { trial: Trial }) {
  const said = useMemo(() => meanings(suspicion, trial), [suspicion, trial])
  const filled = Object.keys(trial.arrangement)
  const spoken = new Set(said.map(({ outcome }) => outcomeWords(outcome)))
  const further: Outcome[] = [
    { kind: 'PASS' as const },
    { kind: 'NO_START' as const },
    ...(trial.depth === 'test' ? [{ kind: 'ERRORS' as const }] : []),
    ...filled.map((slot) => ({ kind: 'MISSING' as const, slots: [slot] })),
  ].filter((outcome) => !spoken.has(outcomeWords(outcome)))
  return (
    <fieldset aria-label="What came of it" className="mt-2 flex flex-col gap-1.5">
      {said.map(({ outcome, suspect }) => (
        <button
          key={outcomeWords(outcome)}
          type="button"
          onClick={() => onOutcome(trial, outcome)}
          className="min-h-12 rounded-sm border border-rule-2 bg-sheet px-3 py-1 text-left hover:bg-act-soft"
        >
          <b className="font-semibold">{outcomeWords(outcome)}</b>
          <span className="block text-sm text-ink-2">
            then {partsWords(suspect.parts, name)}, {percent(suspect.chance)}
          </span>
        </button>
      ))}
      {further.length > 0 && (
        <Select
          aria-label="Something else came of it"
          value=""
          options={[
            { value: '', label: 'something else…' },
            ...further.map((outcome, at) => ({
              value: String(at),
              label: outcomeWords(outcome),
            })),
          ]}
          onValue={(at) => {
            const outcome = further[Number(at)]
            if (at !== '' && outcome) onOutcome(trial, outcome)
          }}
        />
      )}
    </fieldset>
  )
}

interface VerdictProps {
  parts: readonly string[]
  chance: number
  trials: readonly Made[]
  name: (module: string) => string
}

function Verdict({ parts, chance, trials, name }: VerdictProps) {
  const seats = parts.every((part) => part.startsWith('seat '))
  const bad = parts.filter((part) => part.startsWith('module ')).map((part) => part.slice(7))
  const slot = parts.some((part) => part.startsWith('slot '))
  return (
    <section aria-label="Verdict" className="border-l-8 border-act bg-act-soft px-4 py-3">
      <p className="text-sm text-ink-2">Found, {percent(chance)} sure</p>
      <h3 className="text-2xl leading-tight font-semibold">{capital(partsWords(parts, name))}</h3>
      <p className="mt-1 text-lg">
        {seats && 'It is home now. Test it once more with everything in, then go on.'}
        {bad.length > 0 && 'Exchange it under warranty. For the supplier:'}
        {slot && 'Leave the slot empty, or have the board seen to; the modules are sound.'}
        {!seats && bad.length === 0 && !slot && 'Plan around it, and tell the customer why.'}
      </p>
      {bad.map((module) => (
        <SupplierNote key={module} module={module} trials={trials} />
      ))}
    </section>
  )
}

function Suspects({ suspicion, name }: { suspicion: Suspicion; name: (module: string) => string }) {
  const shown = suspects(suspicion)
    .filter(({ chance }) => chance >= 0.01)
    .slice(0, 5)
  return (
    <section aria-label="Suspects">
      <h3 className="font-semibold">What is suspected</h3>
      <ol>
        {shown.map(({ parts, chance }) => (
          <li key={parts.join()} className="border-b border-rule py-1">
            <span className="flex justify-between gap-3">
              <span>{capital(partsWords(parts, name))}</span>
              <b className="font-semibold whitespace-nowrap">{percent(chance)}</b>
            </span>
            <span
              aria-hidden
              className="block h-1 bg-act"
              style={{ width: `${Math.max(1, chance * 100)}%` }}
            />
          </li>
        ))}
      </ol>
      <p className="text-sm text-ink-2">
        Reckoned from how often each cause is met, and every trial made. Single faults and pairs.
      </p>
    </section>
  )
}

function TrialList({ verifying, suspicion }: { verifying: Verifying; suspicion: Suspicion }) {
  const { record, trials, set } = verifying
  const begun = record.trials.length > 0
  return (
    <section aria-label="Trials made" className="text-[0.93rem]">
      <ol className="list-decimal pl-6">
        {trials.map((trial, at) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: trials keep their places
          <li key={at}>
            {list(Object.keys(trial.arrangement))}
            {Object.keys(trial.arrangement).length < suspicion.bench.modules.length && ' only'}
            {trial.reseat && ', seated anew'}
            {trial.profile && ', profile on'}
            {trial.depth === 'test' && ', tested'}:{' '}
            <b className="font-semibold">{outcomeWords(trial.outcome)}</b>
            {!begun && <span className="text-ink-2">, as was seen</span>}
          </li>
        ))}
      </ol>
      {begun && (
        <div className="flex gap-3">
          <button
            type="button"
            className="flex min-h-9 items-center gap-1.5 underline"
            onClick={() => set({ trials: record.trials.slice(0, -1) })}
          >
            <RotateCcw size={14} aria-hidden /> Take the last back
          </button>
          <Button look="quiet" onClick={() => set({ trials: [] })}>
            Begin anew
          </Button>
        </div>
      )}
    </section>
  )
}

const percent = (chance: number) => `${tidy(chance * 100, chance > 0.99 ? 1 : 0)} %`
