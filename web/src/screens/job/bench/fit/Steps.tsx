import { type FittingStep, TOOLS } from '@tembrix/core/bench/fitting'
import { Check, ChevronLeft, ListChecks, RectangleHorizontal, SkipForward } from 'lucide-react'
import { useEffect, useState } from 'react'
import { Button, callout, Field, TextInput } from '../../../../base/ui'
import { PHASE_NAMES, TOOL_NAMES, wordsOf } from '../../../../parts/handling'
import { useJob } from '../../base/file'
import { absentWords } from '../../base/parts'
import { useStepBoard } from '../../base/stepBoard'
import { usePedal } from './pedal'
import { StepList } from './StepList'
import type { Fitting } from './useFit'

interface Props {
  fitting: Fitting
  onScrews: () => void
  onTray: () => void
}

/** One step at a time in large type, or all of them as a list. */
export function Steps({ fitting, onScrews, onTray }: Props) {
  const { steps, tickOf } = fitting
  const firstOpen = steps.findIndex((step) => !tickOf(step))
  const [chosen, setChosen] = useState<string | null>(null)
  const [listed, setListed] = useState(false)
  const at = chosen === null ? firstOpen : steps.findIndex(({ id }) => id === chosen)
  const step = steps[at]
  const go = (to: number) => setChosen(steps[to]?.id ?? null)
  const done = steps.filter((one) => tickOf(one)).length

  return (
    <>
      <div className="flex items-center gap-3">
        <progress
          className="h-2 flex-1 appearance-none [&::-webkit-progress-bar]:bg-rule [&::-webkit-progress-value]:bg-act"
          value={done}
          max={steps.length}
          aria-label="Steps done"
        />
        <span className="text-sm whitespace-nowrap">
          {done} of {steps.length}
        </span>
        <Button
          look="quiet"
          className="px-2"
          aria-label={listed ? 'One step at a time' : 'All steps as a list'}
          onClick={() => setListed(!listed)}
        >
          {listed ? (
            <RectangleHorizontal size={18} aria-hidden />
          ) : (
            <ListChecks size={18} aria-hidden />
          )}
        </Button>
      </div>
      {at === 0 && <ToolsList steps={steps} />}
      {listed ? (
        <StepList
          fitting={fitting}
          current={step}
          onOpen={({ id }) => {
            setChosen(id)
            setListed(false)
          }}
        />
      ) : step ? (
        <Card
          key={step.id}
          fitting={fitting}
          step={step}
          number={at + 1}
          onBack={at > 0 ? () => go(at - 1) : undefined}
          onNext={() => {
            const next = steps.findIndex((one, n) => n > at && !tickOf(one))
            setChosen(next < 0 ? null : (steps[next]?.id ?? null))
          }}
          onScrews={onScrews}
        />
      ) : (
        <AllDone onBack={() => go(steps.length - 1)} onTray={onTray} />
      )}
    </>
  )
}

/** Every tool of the work, laid out before the first step. */
function ToolsList({ steps }: { steps: readonly FittingStep[] }) {
  const tools = TOOLS.filter((tool) => steps.some((step) => step.tools.includes(tool)))
  if (tools.length === 0) return null
  return (
    <p className="text-sm text-ink-2">
      <b className="font-semibold">Tools for all of it:</b>{' '}
      {tools.map((tool) => TOOL_NAMES[tool]).join(', ')}.
    </p>
  )
}

interface CardProps {
  fitting: Fitting
  step: FittingStep
  number: number
  onBack: (() => void) | undefined
  onNext: () => void
  onScrews: () => void
}

function Card({ fitting, step, number, onBack, onNext, onScrews }: CardProps) {
  const { pieces } = useJob()
  const { tickOf, tick, untick, waitsFor, absentFor } = fitting
  const [skipping, setSkipping] = useState(false)
  const [reason, setReason] = useState('')
  const module = step.about.moduleId ? pieces.get(step.about.moduleId)?.module : undefined
  const { title, how } = wordsOf(step, module)
  const held = tickOf(step)
  const [waited] = waitsFor(step)
  const absent = held ? undefined : absentFor(step)
  const locked = waited !== undefined || absent !== undefined
  const { setLit } = useStepBoard()
  useEffect(() => {
    setLit(step.slots)
    return () => setLit([])
  }, [step, setLit])

  function done() {
    if (locked) return
    if (!held) tick(step)
    onNext()
  }
  const pedal = usePedal(done, onBack)

  return (
    <section aria-label={`Step ${number}`} className="flex flex-1 flex-col gap-3">
      <div
        className={`border-l-8 px-4 py-3 ${step.caution ? 'border-risk-line bg-risk-soft' : 'border-act bg-sheet-2'}`}
      >
        <p className="text-sm text-ink-2">
          {number} · {PHASE_NAMES[step.phase]}
          {step.minutes > 0 && ` · about ${step.minutes} min`}
        </p>
        <h3 className="text-2xl leading-tight font-semibold">{title}</h3>
        <p className="mt-1 text-lg leading-snug">{how}</p>
        {step.tools.length > 0 && (
          <p className="mt-2 text-sm">
            <b className="font-semibold">Tools:</b>{' '}
            {step.tools.map((tool) => TOOL_NAMES[tool]).join(', ')}
          </p>
        )}
      </div>
      {(step.code === 'SCREWS_OUT' || step.code === 'SCREWS_IN') && (
        <Button onClick={onScrews}>Open the screw map</Button>
      )}
      {absent && (
        <p className={callout({ tone: 'risk' })}>Its module is not here: {absentWords(absent)}.</p>
      )}
      {waited && (
        <p className={callout({ tone: 'risk' })}>
          {waited.caution
            ? 'The cautions are read first: go back to them.'
            : `First: ${wordsOf(waited, undefined).title.toLowerCase()}.`}
        </p>
      )}
      {held && (
        <p className="text-sm">
          {held.state === 'done' ? 'Done' : `Left out: ${held.reason}`}
          {held.by && ` by ${held.by}`},{' '}
          {new Date(held.at).toLocaleTimeString([], { hour: '2-digit', minute: '2-digit' })}.{' '}
          <button
            type="button"
            className="inline-flex min-h-11 items-center underline"
            onClick={() => untick(step)}
          >
            Take it back
          </button>
        </p>
      )}
      {skipping && (
        <form
          className="flex items-end gap-2"
          onSubmit={(event) => {
            event.preventDefault()
            if (reason.trim() === '') return
            tick(step, reason.trim())
            onNext()
          }}
        >
          <Field label="Why is it left out?" className="flex-1">
            {(control) => <TextInput {...control} autoFocus value={reason} onValue={setReason} />}
          </Field>
          <Button type="submit" disabled={reason.trim() === ''}>
            Leave it out
          </Button>
        </form>
      )}
      <div className="mt-auto grid grid-cols-[auto_1fr_auto] gap-2">
        <Button disabled={!onBack} onClick={onBack} aria-label="The step before">
          <ChevronLeft size={20} aria-hidden />
        </Button>
        <Button look="main" className="min-h-16 text-lg" disabled={locked} onClick={done}>
          <Check size={22} aria-hidden />
          {step.caution ? 'I have read this' : held ? 'Next' : 'Done'}
        </Button>
        <Button
          disabled={step.caution || step.safety || locked || held !== undefined}
          aria-label="Leave this step out"
          title="Leave it out"
          onClick={() => setSkipping(!skipping)}
        >
          <SkipForward size={18} aria-hidden />
        </Button>
      </div>
      {pedal}
    </section>
  )
}

function AllDone({ onBack, onTray }: { onBack: () => void; onTray: () => void }) {
  return (
    <section aria-label="All steps done" className="flex flex-col gap-3">
      <div className="border-l-8 border-act bg-act-soft px-4 py-3">
        <h3 className="text-2xl font-semibold">Every step is done or left out</h3>
        <p className="text-lg">
          Say in the tray what went in and where the old modules go, then finish.
        </p>
      </div>
      <div className="flex gap-2">
        <Button onClick={onBack}>
          <ChevronLeft size={20} aria-hidden /> Back
        </Button>
        <Button look="main" onClick={onTray}>
          To the tray
        </Button>
      </div>
    </section>
  )
}
