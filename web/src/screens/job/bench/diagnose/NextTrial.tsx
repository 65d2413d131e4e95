import {
  type FaultSearch,
  type Made,
  meanings,
  minutesOfTrial,
  type Proposal,
  type Suspicion,
  type Trial,
  type TrialOutcome,
} from '@tembrix/core/bench/diagnose'
import { assignmentOf } from '@tembrix/core/shop/job'
import { useEffect, useMemo, useState } from 'react'
import { tidy } from '../../../../base/format'
import { Button, Check, Disclosure, Field, Select, TextInput } from '../../../../base/ui'
import { useStepBoard } from '../../base/stepBoard'
import {
  type ModuleName,
  outcomeWords,
  partsWords,
  placedWords,
  trialName,
} from '../../base/trials'
import { OwnTrial } from './OwnTrial'
import { reasonOf } from './reasons'
import { TrialSteps, useTrialWork } from './TrialSteps'
import { chancePercent } from './words'

/** What may be noted beside an answer: that it is not sure, what beeps or lights said, and when the trouble comes. */
export type Noted = Pick<Made, 'unsure' | 'code' | 'onlyWarm'>

interface Props {
  search: FaultSearch
  offered: readonly Proposal[]
  /** What is to be done next: as it stands before anything was tried, one offered, or the technician's own. */
  trial: Trial | undefined
  chosen: number
  onChoose: (at: number) => void
  /** A trial of the technician's own in place of those offered. */
  own: Trial | null
  onOwn: (trial: Trial | null) => void
  /** The machine was opened for a trial before. */
  opened: boolean
  onOutcome: (trial: Trial, outcome: TrialOutcome, how: Noted) => void
  name: ModuleName
  /** Stops the search before its end; null where it has ended. */
  onStop: (() => void) | null
}

/** The machine as it stands, started: what every search begins with. */
export const firstTrial = ({ arrangement, profile }: Suspicion): Trial => ({
  arrangement,
  reseat: false,
  profile,
  depth: 'start',
  action: null,
})

/** The trial to make next, why, and what each outcome would mean, with the board as it asks. */
export function NextTrial(props: Props) {
  const { search, offered, trial, chosen, own, onOwn, onOutcome, name, onStop } = props
  const { suspicion, trials } = search
  const { setShown, setLit } = useStepBoard()
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

  const { arrangement, profile } = suspicion
  const begun = trials.length > 0
  const proposal = own ? undefined : (offered[chosen] ?? offered[0])
  return (
    <>
      {trial && (
        <section aria-label="Next trial" className="border-l-8 border-act bg-sheet-2 px-4 py-3">
          {begun && (
            <p className="text-sm text-ink-2">
              {own ? 'My own' : 'Try next'} · about{' '}
              {tidy(
                proposal?.minutes ?? minutesOfTrial(suspicion.bench, arrangement, profile, trial),
                0,
              )}{' '}
              min
            </p>
          )}
          {own ? (
            <OwnTrial search={search} trial={own} onTrial={onOwn} name={name} />
          ) : (
            <>
              <h3 className="text-xl leading-snug font-semibold">
                {begun
                  ? trialName(arrangement, profile, trial, name)
                  : 'What does it do as it stands?'}
              </h3>
              <p className="text-[0.93rem] text-ink-2">
                In it: {placedWords(trial, name)}
                {suspicion.bench.profiles && `; memory profile ${trial.profile ? 'on' : 'off'}`}.
              </p>
            </>
          )}
          {begun && proposal && (
            <p className="text-[0.93rem]">{reasonOf(search, proposal, name)}</p>
          )}
          <TrialSteps work={work} />
          {Object.keys(trial.arrangement).length > 0 ? (
            <Outcomes
              suspicion={suspicion}
              trial={trial}
              isFirst={!begun}
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
      {begun && onStop && (
        <Button look="quiet" className="self-start" onClick={onStop}>
          Stop here: what I know, what I do not
        </Button>
      )}
    </>
  )
}

const OWN = 'own'

/** The other trials worth making, and one of the technician's own. */
function OtherTrials({ search, offered, chosen, onChoose, own, onOwn, name }: Props) {
  const { suspicion, trials } = search
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
          ...(offered.length === 0
            ? [{ value: '0', label: trials.length === 0 ? 'as it stands' : '–' }]
            : []),
          { value: OWN, label: 'my own: I put them otherwise' },
        ]}
        onValue={(at) => {
          if (at === OWN) onOwn(firstTrial(suspicion))
          else {
            onOwn(null)
            onChoose(Number(at))
          }
        }}
      />
    </div>
  )
}

interface OutcomesProps extends Pick<Props, 'onOutcome' | 'name'> {
  suspicion: Suspicion
  trial: Trial
  /** Nothing was tried yet: when the trouble comes is asked as well. */
  isFirst: boolean
  ready: boolean
}

type Comes = 'unknown' | 'cold' | 'warm'
const COMES: { value: Comes; label: string }[] = [
  { value: 'unknown', label: 'nobody knows' },
  { value: 'cold', label: 'from cold too' },
  { value: 'warm', label: 'only when it is warm' },
]

/** What may come of a trial, each with what it would mean, and how sure the answer is. */
function Outcomes({ suspicion, trial, isFirst, ready, onOutcome, name }: OutcomesProps) {
  const said = useMemo(() => meanings(suspicion, trial), [suspicion, trial])
  const [unsure, setUnsure] = useState(false)
  const [code, setCode] = useState('')
  const [slots, setSlots] = useState<readonly string[]>([])
  const [comes, setComes] = useState<Comes>('unknown')
  const filled = Object.keys(trial.arrangement)
  const spoken = new Set(said.map(({ outcome }) => outcomeWords(outcome)))
  const further: TrialOutcome[] = [
    { kind: 'PASS' as const },
    { kind: 'NO_START' as const },
    { kind: 'ERRORS' as const },
    ...filled.map((slot) => ({ kind: 'MISSING' as const, slots: [slot] })),
  ].filter((outcome) => !spoken.has(outcomeWords(outcome)))
  const note = (outcome: TrialOutcome) =>
    onOutcome(trial, outcome, {
      unsure,
      code: code.trim(),
      ...(isFirst && comes !== 'unknown' ? { onlyWarm: comes === 'warm' } : {}),
    })
  return (
    <>
      {isFirst && (
        <Field label="When does the trouble come?" className="mt-2">
          {(control) => (
            <Select
              {...control}
              value={comes}
              options={COMES}
              onValue={(value) => setComes(value as Comes)}
            />
          )}
        </Field>
      )}
      <fieldset
        aria-label="What came of it"
        disabled={!ready}
        className="mt-2 flex flex-col gap-1.5 disabled:opacity-60"
      >
        {said.map(({ outcome, suspect }) => (
          <button
            key={outcomeWords(outcome)}
            type="button"
            onClick={() => note(outcome)}
            className="min-h-12 rounded-sm border border-rule-2 bg-sheet px-3 py-1 text-left hover:bg-act-soft"
          >
            <b className="font-semibold">{outcomeWords(outcome)}</b>
            <span className="block text-sm text-ink-2">
              then {partsWords(suspect.parts, name)}, {chancePercent(suspect.chance)}
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
              if (at !== '' && outcome) note(outcome)
            }}
          />
        )}
      </fieldset>
      <Disclosure
        summary={<span className="text-sm">Not sure, several slots, beeps or lights</span>}
      >
        <Check label="I am not sure of this answer" checked={unsure} onChecked={setUnsure} />
        <Field label="What beeps or lights say" hint="The board’s manual is their key.">
          {(control) => (
            <TextInput
              {...control}
              placeholder="three long beeps"
              value={code}
              onValue={(text) => setCode(text.slice(0, 200))}
            />
          )}
        </Field>
        {filled.length > 1 && (
          <fieldset disabled={!ready} className="disabled:opacity-60">
            <legend className="text-sm">It starts without several</legend>
            {filled.map((slot) => (
              <Check
                key={slot}
                label={slot}
                checked={slots.includes(slot)}
                onChecked={(on) =>
                  setSlots(on ? [...slots, slot] : slots.filter((one) => one !== slot))
                }
              />
            ))}
            <button
              type="button"
              disabled={slots.length < 2}
              onClick={() => note({ kind: 'MISSING', slots: [...slots] })}
              className="min-h-11 rounded-sm border border-rule-2 bg-sheet px-3 disabled:opacity-60"
            >
              Note it
            </button>
          </fieldset>
        )}
      </Disclosure>
    </>
  )
}
