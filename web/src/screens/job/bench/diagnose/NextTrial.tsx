import {
  isUnseen,
  LACKS,
  type Lack,
  lacksOf,
  type Made,
  meanings,
  minutesOfTrial,
  type Proposal,
  passesSaved,
  type Suspicion,
  suspects,
  type Trial,
  type TrialOutcome,
  verdict,
} from '@tembrix/core/bench/diagnose'
import { assignmentOf } from '@tembrix/core/shop/job'
import { deepEqual } from '@tembrix/core/things/model'
import { useEffect, useMemo, useState } from 'react'
import { plural, tidy } from '../../../../base/format'
import { Check, Disclosure, Field, Select, TextInput } from '../../../../base/ui'
import { useStepBoard } from '../../base/stepBoard'
import { outcomeWords, partsWords, trialName } from '../../base/trials'
import { FaultVerdict } from './FaultVerdict'
import { OwnTrial } from './OwnTrial'
import { TrialSteps, useTrialWork } from './TrialSteps'
import { chancePercent } from './words'

/** What may be noted beside an answer: that it is not sure, and what beeps or lights said. */
export type Noted = Pick<Made, 'unsure' | 'code'>

interface Props {
  suspicion: Suspicion
  offered: readonly Proposal[]
  /** What is to be done next: as it stands before anything was tried, one offered, or the technician's own. */
  trial: Trial | undefined
  chosen: number
  onChoose: (at: number) => void
  /** A trial of the technician's own in place of those offered. */
  own: Trial | null
  onOwn: (trial: Trial | null) => void
  trials: readonly Made[]
  /** The machine was opened for a trial before. */
  opened: boolean
  onOutcome: (trial: Trial, outcome: TrialOutcome, how: Noted) => void
  name: (module: string) => string
}

/** The machine as it stands, started: what every search begins with. */
export const firstTrial = ({ arrangement, profile }: Suspicion): Trial => ({
  arrangement,
  reseat: false,
  profile,
  depth: 'start',
  action: null,
})

/** The trial to make next and what each outcome would mean, with the board as it asks; or the part that is named. */
export function NextTrial(props: Props) {
  const { suspicion, offered, trial, own, onOwn, onOutcome, trials, name } = props
  const named = useMemo(() => verdict(suspicion, trials), [suspicion, trials])
  const { setShown, setLit } = useStepBoard()
  const work = useTrialWork(suspicion, trial, props.opened)
  useEffect(() => {
    if (!trial || named) return
    setShown(assignmentOf(trial.arrangement))
    setLit(Object.keys(trial.arrangement))
    return () => {
      setShown(null)
      setLit([])
    }
  }, [trial, named, setShown, setLit])

  if (named) {
    const { parts, chance } = named
    const { modules } = suspicion.bench
    return (
      <FaultVerdict parts={parts} chance={chance} trials={trials} modules={modules} name={name} />
    )
  }
  const { arrangement, profile } = suspicion
  const begun = trials.length > 0
  return (
    <>
      {begun && offered.length === 0 && (
        <NoneTellsMore suspicion={suspicion} trials={trials} name={name} />
      )}
      {trial && (
        <section aria-label="Next trial" className="border-l-8 border-act bg-sheet-2 px-4 py-3">
          {begun && (
            <p className="text-sm text-ink-2">
              {own ? 'My own' : 'Try next'} · about{' '}
              {tidy(minutesOfTrial(suspicion.bench, arrangement, profile, trial), 0)} min
            </p>
          )}
          {own ? (
            <OwnTrial suspicion={suspicion} trial={own} onTrial={onOwn} name={name} />
          ) : (
            <h3 className="text-xl leading-snug font-semibold">
              {begun
                ? trialName(arrangement, profile, trial, name)
                : 'What does it do as it stands?'}
            </h3>
          )}
          {begun && !own && (
            <WhyThis suspicion={suspicion} trial={trial} trials={trials} name={name} />
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

/** Which two explanations a trial tells apart. */
function WhyThis({
  suspicion,
  trial,
  trials,
  name,
}: Pick<Props, 'suspicion' | 'trials' | 'name'> & { trial: Trial }) {
  const saving = passesSaved(trials)
  const said = useMemo(() => meanings(suspicion, trial), [suspicion, trial])
  const [first, second] = [...new Map(said.map((one) => [one.suspect.parts.join(), one])).values()]
  const again = said.length > 0 && second === undefined
  if (isUnseen(trials)) {
    return (
      <p className="text-[0.93rem] text-ink-2">
        Nothing wrong has been seen yet. Until it has, nothing is touched: a module that is seated
        again may be put right by it, and nobody would know what was wrong.
      </p>
    )
  }
  if (saving > 0 && isRepeated(suspicion, trial)) {
    return (
      <p className="text-[0.93rem] text-ink-2">
        Does it do so each time? Seen four times before anything is touched, one good start is
        enough later; seen once, it takes nine.
      </p>
    )
  }
  return (
    <p className="text-[0.93rem] text-ink-2">
      {first && second
        ? `Because it tells whether ${partsWords(first.suspect.parts, name)} or ${partsWords(second.suspect.parts, name)}.`
        : again
          ? `Because nothing is named without its control: ${partsWords(first?.suspect.parts ?? [], name)}, if it shows again.`
          : ''}
    </p>
  )
}

const isRepeated = (suspicion: Suspicion, trial: Trial): boolean =>
  deepEqual(trial, firstTrial(suspicion))

function NoneTellsMore({ suspicion, trials, name }: Pick<Props, 'suspicion' | 'trials' | 'name'>) {
  const [first] = suspects(suspicion)
  if (isUnseen(trials)) {
    return (
      <section aria-label="Verdict" className="border-l-8 border-risk-line bg-risk-soft px-4 py-3">
        <p className="text-lg">
          <b className="font-semibold">
            The fault has not shown: {plural(trials.length, 'trial')}, all passed.
          </b>{' '}
          Nothing is named. Ask the customer when it happens: cold or warm, in which program, after
          how long. Then make it so in a trial of your own.
        </p>
      </section>
    )
  }
  const lacks = lacksOf(suspicion.bench)
  return (
    <section aria-label="Verdict" className="border-l-8 border-risk-line bg-risk-soft px-4 py-3">
      <p className="text-lg">
        <b className="font-semibold">No trial tells more with what is here.</b> Likeliest, and not
        proven: {partsWords(first?.parts ?? [], name)}, {chancePercent(first?.chance ?? 0)}.
      </p>
      {LACKS.filter((lack) => lacks.includes(lack)).map((lack) => (
        <p key={lack}>{LACK_WORDS[lack]}</p>
      ))}
    </section>
  )
}

const LACK_WORDS: Record<Lack, string> = {
  KNOWN_MODULE:
    'A module known to be good would tell: one of the shelf that was tested, or the old one.',
  ANOTHER_SLOT:
    'With one slot only, the slot cannot be told from the board: try the module elsewhere.',
}

const OWN = 'own'

/** The other trials worth making, and one of the technician's own. */
function OtherTrials({ suspicion, offered, chosen, onChoose, own, onOwn, trials, name }: Props) {
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

interface OutcomesProps extends Pick<Props, 'suspicion' | 'onOutcome' | 'name'> {
  trial: Trial
  ready: boolean
}

/** What may come of a trial, each with what it would mean, and how sure the answer is. */
function Outcomes({ suspicion, trial, ready, onOutcome, name }: OutcomesProps) {
  const said = useMemo(() => meanings(suspicion, trial), [suspicion, trial])
  const [unsure, setUnsure] = useState(false)
  const [code, setCode] = useState('')
  const [slots, setSlots] = useState<readonly string[]>([])
  const filled = Object.keys(trial.arrangement)
  const spoken = new Set(said.map(({ outcome }) => outcomeWords(outcome)))
  const further: TrialOutcome[] = [
    { kind: 'PASS' as const },
    { kind: 'NO_START' as const },
    { kind: 'ERRORS' as const },
    ...filled.map((slot) => ({ kind: 'MISSING' as const, slots: [slot] })),
  ].filter((outcome) => !spoken.has(outcomeWords(outcome)))
  const note = (outcome: TrialOutcome) => onOutcome(trial, outcome, { unsure, code: code.trim() })
  return (
    <>
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
