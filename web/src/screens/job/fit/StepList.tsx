import type { FittingStep } from '@tembrix/core/fitting'
import { Check, SkipForward } from 'lucide-react'
import { PHASE_NAMES, wordsOf } from '../../../parts/handling'
import { useJob } from '../file'
import type { Fitting } from './useFit'

interface Props {
  fitting: Fitting
  current: FittingStep | undefined
  onOpen: (step: FittingStep) => void
}

/** All steps under their phases; one opens large. */
export function StepList({ fitting: { steps, tickOf }, current, onOpen }: Props) {
  const { pieces } = useJob()
  const phases = [...new Set(steps.map(({ phase }) => phase))]
  return (
    <ol className="flex flex-col gap-2">
      {phases.map((phase) => (
        <li key={phase}>
          <h3 className="text-sm font-semibold">{PHASE_NAMES[phase]}</h3>
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
                      <span className="flex-1">{wordsOf(step, module).title}</span>
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
