import { type FreeLayout, isFelt } from '@tembrix/core/judging/advice'
import { freePlan } from '@tembrix/core/shop/job'
import { Move } from 'lucide-react'
import { useMemo } from 'react'
import { useNavigate } from 'react-router'
import { making } from '../../../../base/data'
import { duration } from '../../../../base/format'
import { Button, callout } from '../../../../base/ui'
import { useJob, useModelRecord, useShop } from '../../base/file'
import { freeWords, gainInWords, PLANS_KEPT } from './words'

/** The correction without buying: its moves, gain and minutes, with a button that plans it. */
export function FreeFirst({ free }: { free: FreeLayout }) {
  const view = useJob()
  const { file, plan, planned, edit } = view
  const { terms } = useShop()
  const model = useModelRecord()
  const navigate = useNavigate()
  const { situation, minutes } = useMemo(
    () => freePlan(view, free, model, terms),
    [view, free, model, terms],
  )
  const { assignment: placement, settings } = situation
  const fields = { placement, profile: settings.profile, manual: null }
  const isOnBoard =
    plan.profile === settings.profile &&
    planned.evaluation.run?.wholePeakGBs === situation.evaluation.run?.wholePeakGBs &&
    Object.keys(placement).every(
      (slot) => planned.assignment[slot]?.moduleId === placement[slot]?.moduleId,
    ) &&
    Object.keys(planned.assignment).length === Object.keys(placement).length
  const follows = file.lead !== null

  function planThis() {
    const isFree = plan.placement === null
    if (isFree || file.plans.length > PLANS_KEPT) edit.step('plans', plan, fields)
    else
      edit.act('a plan without buying', [
        making('plans', { jobId: file.id, name: NAME, ...fields }),
      ])
    navigate(`/jobs/${file.id}/plan`)
  }

  return (
    <section
      aria-label="Free first"
      className={callout({ tone: 'good', className: 'flex flex-col gap-1.5 text-[0.93rem]' })}
    >
      <h3 className="font-semibold">
        {isFelt(free) ? 'Free first' : 'Costs nothing'}: {freeWords(free)}
      </h3>
      <p>
        Nothing has to be bought. Expected for these uses: <b>{gainInWords(free)}</b>. Takes about{' '}
        {duration(minutes)}; the job can end with it.
      </p>
      {isOnBoard ? (
        <p className="text-sm text-ink-2">This is the plan on the board.</p>
      ) : (
        !follows && (
          <Button className="self-start" onClick={planThis}>
            <Move size={17} aria-hidden /> Plan this
          </Button>
        )
      )}
    </section>
  )
}

const NAME = 'Nothing bought'
