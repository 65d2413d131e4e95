import { mixingRisk, POLICIES, type Policy, verdicts } from '@tembrix/core/judging/plan'
import type { Machine, Placement, Settings } from '@tembrix/core/things/model'
import { Check, TriangleAlert } from 'lucide-react'
import { CHOICES, list } from '../../base/format'
import { MIXING_WORDS, OBJECTION_WORDS } from './words'

interface Props {
  machine: Machine
  placement: Placement
  settings: Settings
  /** The buying policy that is planned by. */
  policy: Policy | null
}

/** What each buying policy says of a placement that starts, and what mixing modules risks. */
export function Judgement({ machine, placement, settings, policy: own }: Props) {
  const said = verdicts(machine, placement)
  const touchy = machine.touchy ?? false
  const { level, reasons } = mixingRisk(machine, placement, settings, touchy)
  return (
    <section aria-label="What the buying policies say">
      <h3 className="font-semibold">What the buying policies say</h3>
      <ul className="text-[0.93rem]">
        {POLICIES.map((policy) => (
          <li key={policy} className="flex gap-2 py-0.5">
            {said[policy].length === 0 ? (
              <Check size={17} className="mt-0.5 shrink-0 text-act" aria-hidden />
            ) : (
              <TriangleAlert size={17} className="mt-0.5 shrink-0 text-risk" aria-hidden />
            )}
            <span>
              <b className="font-semibold">{CHOICES.policy[policy]}</b>
              {policy === own && ' (this job’s)'}:{' '}
              {said[policy].length === 0
                ? 'would accept it'
                : `would not: ${list(said[policy].map((one) => OBJECTION_WORDS[one]))}`}
            </span>
          </li>
        ))}
      </ul>
      <p className="mt-1 text-[0.93rem]" data-mixing={level}>
        <b className="font-semibold">Risk of mixing: {level}</b>
        {reasons.length > 0 && ` – ${list(reasons.map((one) => MIXING_WORDS[one]))}`}
        {level === 'high' && '. Test longer, and have a way back ready.'}
      </p>
    </section>
  )
}
