import {
  type Made,
  meanings,
  minutesOfTrial,
  type Outcome,
  type Proposal,
  type Suspicion,
  suspects,
  type Trial,
  verdict,
} from '@tembrix/core/diagnose'
import { assignmentOf } from '@tembrix/core/job'
import { useEffect, useMemo } from 'react'
import { Select, tidy } from '../../ui'
import { useBench } from '../bench'
import { FaultVerdict } from './FaultVerdict'
import { OwnTrial } from './OwnTrial'
import { TrialSteps, useTrialWork } from './TrialSteps'

import { outcomeWords, partsWords, percent, trialName } from './words'

interface Props {
  suspicion: Suspicion
  offered: readonly Proposal[]
  begun: boolean
  chosen: number
  onChoose: (at: number) => void
  /** A trial of the technician's own in place of those offered. */
  own: Trial | null
  onOwn: (trial: Trial | null) => void
  trials: readonly Made[]
  /** The machine was opened for a trial before. */
  opened: boolean
  onOutcome: (trial: Trial, outcome: Outcome) => void
  name: (module: string) => string
}

/** The trial to make next and what each outcome would mean, with the board as it asks; or the part that is named. */
export function NextTrial(props: Props) {
  const { suspicion, offered, begun, chosen, own, onOwn, onOutcome, trials, name } = props
  const named = useMemo(() => verdict(suspicion), [suspicion])
  const { setShown, setLit } = useBench()
  const trial = own ?? (offered[chosen] ?? offered[0])?.trial
  const work = useTrialWork(suspicion, trial, props.opened)
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
    const { parts, chance } = named
    const { modules } = suspicion.bench
    return (
      <FaultVerdict parts={parts} chance={chance} trials={trials} modules={modules} name={name} />
    )
  }
  const { arrangement, profile } = suspicion
  return (
    <>
      {offered.length === 0 && <NoneTellsMore suspicion={suspicion} name={name} />}
      {trial && (
        <section aria-label="Next trial" className="border-l-8 border-act bg-sheet-2 px-4 py-3">
          <p className="text-sm text-ink-2">
            {own ? 'My own' : begun ? 'Try next' : 'Begin with'} · about{' '}
            {tidy(minutesOfTrial(suspicion.bench, arrangement, profile, trial), 0)} min
          </p>
          {own ? (
            <OwnTrial suspicion={suspicion} trial={own} onTrial={onOwn} name={name} />
          ) : (
            <h3 className="text-xl leading-snug font-semibold">
              {trialName(arrangement, profile, trial, name)}
            </h3>
          )}
          <TrialSteps work={work} />
          {Object.keys(trial.arrangement).length > 0 ? (
            <Outcomes
              suspicion={suspicion}
              trial={trial}
              ready={work.ready}
              onOutcome={onOutcome}
              name={name}
            />
          ) : (
            <p className="font-medium text-stop">Put a module in at least.</p>
          )}
        </section>
      )}
      <OtherTrials {...props} />
    </>
  )
}

function NoneTellsMore({ suspicion, name }: Pick<Props, 'suspicion' | 'name'>) {
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
function OtherTrials({ suspicion, offered, chosen, onChoose, own, onOwn, name }: Props) {
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
            label: `${at === 0 ? 'this: ' : ''}${trialName(arrangement, profile, trial, name)} (${tidy(minutes, 0)} min)`,
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
  ready,
  onOutcome,
  name,
}: Pick<Props, 'suspicion' | 'onOutcome' | 'name'> & { trial: Trial; ready: boolean }) {
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
    <fieldset
      aria-label="What came of it"
      disabled={!ready}
      className="mt-2 flex flex-col gap-1.5 disabled:opacity-60"
    >
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
