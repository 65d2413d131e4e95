import type { FittingStep } from '@tembrix/core/bench/fitting'
import { Check, CheckCheck, SkipForward } from 'lucide-react'
import { Button } from '../../../../base/ui'
import { PHASE_NAMES, wordsOf } from '../../../../parts/handling'
import { useJob } from '../../base/file'
import type { Fitting } from './useFit'

interface Props {
  fitting: Fitting
  current: FittingStep | undefined
  onOpen: (step: FittingStep) => void
}

/** All steps under their phases; one opens large. */
export function StepList({ fitting, current, onOpen }: Props) {
  const { steps, tickOf } = fitting
  const { pieces } = useJob()
  const next = steps.find((step) => !tickOf(step))?.phase
  const phases = [...new Set(steps.map(({ phase }) => phase))]
  return (
    <ol className="flex flex-col gap-2">
      {phases.map((phase) => (
        <li key={phase}>
          <h3 className="text-sm font-semibold">{PHASE_NAMES[phase]}</h3>
          {phase === next && (
            <Together fitting={fitting} steps={steps.filter((step) => step.phase === phase)} />
          )}
          <ol>
            {steps
              .filter((step) => step.phase === phase)
              .map((step) => {
                const held = tickOf(step)
                const module = step.about.moduleId
                  ? pieces.get(step.about.moduleId)?.module
                  : undefined
                return (
                  <li key={step.id} className="border-b border-rule">
                    <button
                      type="button"
                      onClick={() => onOpen(step)}
                      className={`flex min-h-11 w-full items-center gap-2 px-1 text-left hover:bg-sheet-2 ${step === current ? 'bg-gold-soft' : ''}`}
                    >
                      <span className="grid size-6 shrink-0 place-items-center rounded-sm border-2 border-rule-2">
                        {held?.state === 'done' && <Check size={16} aria-label="done" />}
                        {held?.state === 'skipped' && (
                          <SkipForward size={14} aria-label="left out" />
                        )}
                      </span>
                      <span className="flex-1">
                        {wordsOf(step, module).title}
                        {step.caution && (
                          <span className="block text-sm">{wordsOf(step, module).how}</span>
                        )}
                      </span>
                      {step.minutes > 0 && (
                        <span className="text-sm text-ink-2">{step.minutes} min</span>
                      )}
                    </button>
                  </li>
                )
              })}
          </ol>
        </li>
      ))}
    </ol>
  )
}

/** The next part of the work ticked in one go, once nothing that it waits for is left: who has done it knows it. */
function Together({
  fitting: { tickOf, tickAll, waitsFor, absentFor },
  steps,
}: {
  fitting: Fitting
  steps: readonly FittingStep[]
}) {
  const open = steps.filter((step) => !tickOf(step))
  const within = new Set(steps.map(({ id }) => id))
  const mayBe = open.every((step) => waitsFor(step).every(({ id }) => within.has(id)))
  if (!mayBe || open.some(absentFor)) return null
  const read = open.every(({ caution }) => caution)
  return (
    <Button className="my-1" onClick={() => tickAll(open)}>
      <CheckCheck size={17} aria-hidden />
      {read ? `I have read ${these(open.length)}` : `I have done ${these(open.length)}`}
    </Button>
  )
}

const these = (count: number) => (count === 1 ? 'this' : `all ${count}`)
