import type { Blocker, Option } from '@tembrix/core/plan'
import { POLICY_NAMES } from '../../judgement'
import { Button, capacity, money } from '../../ui'

interface Props {
  blockers: readonly Blocker[]
  onChoose: (option: Option) => void
}

/** Why no plan meets the need, and the nearest for each requirement given up alone. */
export function Blockers({ blockers, onChoose }: Props) {
  return (
    <section aria-label="Blockers" className="border-l-4 border-stop bg-stop-soft px-3 py-2">
      <h3 className="font-semibold">No plan meets all of this</h3>
      {blockers.length === 0 ? (
        <p>
          Nor would one if a single requirement were given up: nothing at hand or on offer fits.
        </p>
      ) : (
        <ul className="mt-1 flex flex-col gap-1.5">
          {blockers.map((blocker) => (
            <li key={blocker.requirement} className="flex items-center gap-3">
              <span className="flex-1">{wayOut(blocker)}</span>
              <Button onClick={() => onChoose(blocker.option)}>Show it</Button>
            </li>
          ))}
        </ul>
      )}
    </section>
  )
}

function wayOut(blocker: Blocker): string {
  const { requirement, option } = blocker
  const price = option.cost === 0 ? 'for nothing' : `for ${money(option.cost)}`
  switch (requirement) {
    case 'minGiB':
      return `With less memory: ${capacity(blocker.to)} is the most to be had, ${price}.`
    case 'budget':
      return `With ${money(blocker.to)} to spend: ${capacity(option.usableGiB)}.`
    case 'policy':
      return `By the school “${POLICY_NAMES[blocker.to]}”: ${capacity(option.usableGiB)} ${price}.`
  }
}
