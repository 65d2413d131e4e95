import type { Blocker, PlanOption, Relaxed } from '@tembrix/core/judging/plan'
import { CHOICES, capacity, list, money, plural } from '../../../../base/format'
import { Button, callout } from '../../../../base/ui'

interface Props {
  blockers: readonly Blocker[]
  onChoose: (option: PlanOption) => void
  /** The budget for the whole that parts of this cost want. */
  wholeFor: (parts: number) => number
  /** Changes exactly these requirements of the job. */
  onRelax: (to: Relaxed) => void
}

/** Why no plan meets the need: every smallest set of requirements that opens one up, with the nearest. */
export function Blockers({ blockers, onChoose, wholeFor, onRelax }: Props) {
  return (
    <section aria-label="Blockers" className={callout({ tone: 'stop' })}>
      <h3 className="font-semibold">No plan meets all of this</h3>
      <ul className="mt-1 flex flex-col gap-2">
        {blockers.map((blocker) =>
          blocker.option === null ? (
            <li key="supply">
              Nothing at hand or on offer starts this machine; what was left out, and why, stands
              below.
            </li>
          ) : (
            <li key={blocker.requirements.join()} className="flex flex-col gap-1">
              <span>{wayOut(blocker.to, blocker.option, wholeFor)}</span>
              <span className="flex gap-2">
                <Button onClick={() => onRelax(blocker.to)}>
                  {`Change ${list(blocker.requirements.map((one) => NAMES[one]))}`}
                </Button>
                <Button look="quiet" onClick={() => onChoose(blocker.option)}>
                  Show it
                </Button>
              </span>
            </li>
          ),
        )}
      </ul>
    </section>
  )
}

const NAMES: Record<keyof Relaxed | 'supply', string> = {
  minGiB: 'the memory wanted',
  budget: 'the budget',
  freeSlots: 'the slots kept free',
  listed: '“only the maker’s list”',
  policy: 'the buying policy',
  supply: 'the supply',
}

function wayOut(
  { minGiB, budget, freeSlots, listed, policy }: Relaxed,
  option: PlanOption,
  wholeFor: Props['wholeFor'],
): string {
  const parts = [
    minGiB === undefined ? '' : `${capacity(minGiB)} wanted, the most available`,
    budget === undefined ? '' : `a budget of ${money(wholeFor(budget))}, work included`,
    freeSlots === undefined ? '' : `${plural(freeSlots, 'slot')} kept free`,
    listed === undefined ? '' : 'modules that are not on the maker’s list',
    policy === undefined ? '' : `the policy “${CHOICES.policy[policy]}”`,
  ].filter(Boolean)
  const price = option.cost === 0 ? 'at no cost' : `for ${money(option.cost)}`
  return `With ${list(parts)}: ${capacity(option.usableGiB)} ${price}.`
}
