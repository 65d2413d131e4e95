import { answersIn } from '@tembrix/core/reading/evidence'
import { read } from '@tembrix/core/reading/inputs'
import {
  type Answers,
  choicesFor,
  matching,
  QUESTIONS,
  type Question,
  type StartingPoint,
  startingPoints,
} from '@tembrix/core/things/machines'
import type { ModelRecord } from '@tembrix/core/things/records'
import { useState } from 'react'
import { plural } from '../../base/format'
import { Button, Disclosure, Field, inputLook, Select, TextInput } from '../../base/ui'
import { answerWords, MACHINE_QUESTION_WORDS } from './words'

interface Props {
  models: readonly ModelRecord[]
  chosen: string
  onChoose: (id: string) => void
  answers: Answers
  onAnswers: (answers: Answers) => void
  /** A system report of this machine, pasted; it goes with the job. */
  report: string
  onReport: (report: string, found: Answers) => void
}

/** Chooses a known model, found by its name, or the kind that a few answers or a system report lead to. */
export function MachineChoice(props: Props) {
  const { models, chosen, onChoose } = props
  const [search, setSearch] = useState('')
  const words = search.toLowerCase().split(/\s+/).filter(Boolean)
  const known = startingPoints(models).filter(
    ({ machine, modelId }) =>
      modelId !== null &&
      words.every((word) => `${machine.name} ${machine.kind}`.toLowerCase().includes(word)),
  )
  return (
    <div className="clear-left flex flex-col gap-3">
      {models.length > 0 && (
        <>
          <input
            type="search"
            aria-label="Find a machine"
            placeholder="Find a model the shop knows"
            value={search}
            onChange={({ target }) => setSearch(target.value)}
            className={inputLook}
          />
          <fieldset className="flex max-h-64 flex-col gap-1.5 overflow-auto">
            <legend className="mb-1 text-sm font-semibold">Known to the shop</legend>
            {known.map((one) => (
              <Choice key={one.id} point={one} chosen={chosen === one.id} onChoose={onChoose} />
            ))}
            {known.length === 0 && (
              <p className="text-ink-2">No match. Answer the questions below.</p>
            )}
          </fieldset>
        </>
      )}
      <ByQuestions {...props} />
    </div>
  )
}

function ByQuestions({ chosen, onChoose, answers, onAnswers, report, onReport }: Props) {
  const kinds = matching(answers)
  const asked = Object.keys(answers).length > 0
  return (
    <fieldset className="flex flex-col gap-2">
      <legend className="mb-1 text-sm font-semibold">
        Otherwise by a few questions; what is not known stays open
      </legend>
      <div className="grid grid-cols-2 gap-2 lg:grid-cols-4">
        {QUESTIONS.map((question) => (
          <Asked key={question} question={question} answers={answers} onAnswers={onAnswers} />
        ))}
      </div>
      <Report report={report} onReport={onReport} />
      <p className="flex items-center gap-2 text-sm text-ink-2" aria-live="polite">
        {kinds.length === 0
          ? 'No usual machine is like that: take one answer back, choose the nearest and correct it in Identify.'
          : `${plural(kinds.length, 'kind')} ${kinds.length === 1 ? 'fits' : 'fit'}. What it assumes stays open until Identify has seen it.`}
        {asked && (
          <Button look="quiet" className="ml-auto" onClick={() => onAnswers({})}>
            Clear the answers
          </Button>
        )}
      </p>
      <div className="flex max-h-80 flex-col gap-1.5 overflow-auto">
        {kinds.map(({ id, machine }) => (
          <Choice
            key={id}
            point={{ id, machine, modelId: null, sources: {} }}
            chosen={chosen === id}
            onChoose={onChoose}
          />
        ))}
      </div>
    </fieldset>
  )
}

function Asked({
  question,
  answers,
  onAnswers,
}: {
  question: Question
  answers: Answers
  onAnswers: (answers: Answers) => void
}) {
  const choices = choicesFor(question, answers)
  const answer = answers[question]
  const all = answer === undefined || choices.includes(answer) ? choices : [answer, ...choices]
  return (
    <Field label={MACHINE_QUESTION_WORDS[question]}>
      {(control) => (
        <Select
          {...control}
          value={answer === undefined ? '' : JSON.stringify(answer)}
          options={[
            { value: '', label: 'unknown' },
            ...all.map((value) => ({
              value: JSON.stringify(value),
              label: answerWords(question, value),
            })),
          ]}
          onValue={(value) => {
            const { [question]: _, ...others } = answers
            onAnswers(value === '' ? others : { ...others, [question]: JSON.parse(value) })
          }}
        />
      )}
    </Field>
  )
}

/** What a report says is answered by it; the report itself becomes the job’s first reading. */
function Report({ report, onReport }: Pick<Props, 'report' | 'onReport'>) {
  const [said, setSaid] = useState('')
  function take(text: string) {
    if (text.trim() === '') {
      onReport(text, {})
      setSaid('')
      return
    }
    const found = answersIn(read(text))
    onReport(text, found)
    setSaid(
      Object.keys(found).length > 0
        ? `It answers: ${QUESTIONS.filter((what) => found[what] !== undefined)
            .map(
              (what) =>
                `${MACHINE_QUESTION_WORDS[what].toLowerCase()} ${answerWords(what, found[what])}`,
            )
            .join(', ')}.`
        : 'Nothing about memory was found in it; it is kept with the job all the same.',
    )
  }
  return (
    <Disclosure
      open={report !== ''}
      summary={
        <span className="text-sm font-semibold">Or from the system report of the machine</span>
      }
    >
      <Field
        label="System report"
        hint="Paste what the machine’s own listing says. It goes into Identify."
      >
        {(control) => (
          <TextInput {...control} lines={3} className="font-mono" value={report} onValue={take} />
        )}
      </Field>
      <p className="text-sm" aria-live="polite">
        {said}
      </p>
    </Disclosure>
  )
}

interface ChoiceProps {
  point: StartingPoint
  chosen: boolean
  onChoose: (id: string) => void
}

function Choice({ point: { id, machine }, chosen, onChoose }: ChoiceProps) {
  return (
    <label className="flex min-h-13 shrink-0 cursor-pointer items-center gap-3 rounded-sm border border-rule-2 px-3 py-1 has-checked:border-2 has-checked:border-act has-checked:bg-act-soft has-focus-visible:outline-3 has-focus-visible:outline-gold-line">
      <input
        type="radio"
        name="start"
        value={id}
        checked={chosen}
        onChange={() => onChoose(id)}
        className="size-5 shrink-0 accent-[var(--act)]"
      />
      <span className="leading-tight">
        <b className="font-semibold">{machine.name}</b>
        <span className="block text-sm text-ink-2">
          {machine.generation}, {plural(machine.channels.length, 'channel')}, at most{' '}
          {machine.limits.totalGiB} GB{machine.slots.length === 0 ? ', nothing can be added' : ''}
        </span>
      </span>
    </label>
  )
}
