import type { Suspicion, Trial } from '@tembrix/core/bench/diagnose'
import {
  clearSetupSteps,
  type FittingStep,
  touchesParts,
  trialSteps,
} from '@tembrix/core/bench/fitting'
import { opennessOf, startsNow } from '@tembrix/core/shop/job'
import { Check, TriangleAlert } from 'lucide-react'
import { useMemo, useState } from 'react'
import { Button, Disclosure } from '../../../../base/ui'
import { TOOL_NAMES, wordsOf } from '../../../../parts/handling'
import { useJob, useShop } from '../../base/file'
import { type Fitting, useFit } from '../fit'

export interface TrialWork {
  steps: FittingStep[]
  /** How the setup is cleared, should the trial leave it not starting. */
  clearing: FittingStep[]
  fitting: Fitting
  /** Every caution of it was read, or it touches nothing. */
  ready: boolean
}

/** A trial as steps at the bench, and whether its cautions were read. */
export function useTrialWork(
  suspicion: Suspicion,
  trial: Trial | undefined,
  opened: boolean,
): TrialWork {
  const { machine, file } = useJob()
  const { terms } = useShop()
  const fitting = useFit()
  const { fit, model, tickOf } = fitting
  const { arrangement, profile, bench } = suspicion
  const { sizes = {}, registered = false } = bench
  const starts = startsNow(file.verifications[0])
  const about = useMemo(
    () => ({
      machine,
      opened,
      sizes,
      registered,
      cautions: model?.cautions ?? [],
      ...opennessOf(fit, model, terms),
    }),
    [machine, opened, sizes, registered, fit, model, terms],
  )
  const steps = useMemo(
    () =>
      trial
        ? trialSteps({
            ...about,
            from: arrangement,
            fromProfile: profile,
            trial,
            starts,
          })
        : [],
    [about, arrangement, profile, starts, trial],
  )
  const clearing = useMemo(
    () =>
      !trial || trial.profile === profile
        ? []
        : clearSetupSteps({ ...about, arrangement: trial.arrangement }),
    [about, trial, profile],
  )
  const ready = steps.every((step) => !step.caution || tickOf(step)?.state === 'done')
  return { steps, clearing, fitting, ready }
}

/** The cautions of a trial first, then its steps; where nothing is touched, only what to look at. */
export function TrialSteps({ work: { steps, clearing, fitting } }: { work: TrialWork }) {
  return (
    <>
      <Cautions steps={steps} fitting={fitting} />
      <Steps label="Steps of the trial" steps={steps} />
      {clearing.length > 0 && (
        <Disclosure className="text-[0.93rem]" summary="If it no longer starts: clear the setup">
          <Cautions steps={clearing} fitting={fitting} />
          <Steps label="Clearing the setup" steps={clearing} />
        </Disclosure>
      )}
      {touchesParts(steps) && (
        <p className="text-sm text-ink-2">
          The maker’s instructions and local rules come before these steps.
        </p>
      )}
    </>
  )
}

/** The cautions of these steps, to be read once; after that they can be shown again. */
function Cautions({ steps, fitting }: { steps: readonly FittingStep[]; fitting: Fitting }) {
  const [shown, setShown] = useState(false)
  const cautions = steps.filter(({ caution }) => caution)
  if (cautions.length === 0) return null
  const read = cautions.every((step) => fitting.tickOf(step)?.state === 'done')
  return (
    <section
      aria-label="Cautions"
      className="my-2 border-l-8 border-risk-line bg-risk-soft px-3 py-2"
    >
      <h4 className="flex items-center gap-2 font-semibold">
        <TriangleAlert size={18} className="text-risk" aria-hidden />
        {read ? 'Cautions, read' : 'Read these first'}
        {read && (
          <button
            type="button"
            className="ml-auto min-h-11 font-normal underline"
            onClick={() => setShown(!shown)}
          >
            {shown ? 'Hide them' : 'Show them'}
          </button>
        )}
      </h4>
      {(!read || shown) && (
        <ul className="mt-1 flex flex-col gap-1.5 text-[0.93rem]">
          {cautions.map((step) => {
            const { title, how } = wordsOf(step, undefined)
            return (
              <li key={step.id}>
                <b className="font-semibold">{title}.</b> {how}
              </li>
            )
          })}
        </ul>
      )}
      {!read && (
        <Button look="main" className="mt-2" onClick={() => fitting.tickAll(cautions)}>
          <Check size={18} aria-hidden /> I have read these
        </Button>
      )}
    </section>
  )
}

function Steps({ label, steps }: { label: string; steps: readonly FittingStep[] }) {
  const { pieces } = useJob()
  return (
    <ol aria-label={label} className="my-1 list-decimal pl-6">
      {steps
        .filter(({ caution }) => !caution)
        .map((step) => {
          const [id = ''] = (step.about.moduleId ?? '').split(' ')
          const { title, how } = wordsOf(step, pieces.get(id)?.module)
          return (
            <li key={step.id} className="py-0.5">
              <b className={step.safety ? 'font-semibold text-risk' : 'font-semibold'}>{title}</b>
              <span className="block text-[0.93rem] text-ink-2">
                {how}
                {step.tools.length > 0 &&
                  ` Tools: ${step.tools.map((tool) => TOOL_NAMES[tool]).join(', ')}.`}
              </span>
            </li>
          )
        })}
    </ol>
  )
}
