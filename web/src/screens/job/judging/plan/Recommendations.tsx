import type { PlacedPiece, PlanOption, Recommendation } from '@tembrix/core/judging/plan'
import { capacity, list, money, speed } from '../../../../base/format'
import { modeWord } from '../../../../parts/board'
import { givesUpWords, RECOMMENDATION_NAMES, recommendationReason } from './words'

interface Props {
  recommendations: readonly Recommendation[]
  isCurrent: (option: PlanOption) => boolean
  nameOf: (piece: PlacedPiece) => string
  onChoose: (option: PlanOption) => void
}

/** Those a technician would look at first, each with what it gives up. Those that fall on the same option stand together. */
export function Recommendations({ recommendations, isCurrent, nameOf, onChoose }: Props) {
  const groups = recommendations.reduce<Recommendation[][]>((some, recommendation) => {
    const same = some.find(([first]) => first?.option === recommendation.option)
    if (same) same.push(recommendation)
    else some.push([recommendation])
    return some
  }, [])
  return (
    <ul aria-label="Picks" className="flex flex-col gap-1.5">
      {groups.map((group) => {
        const { option, givesUp } = group[0] as Recommendation
        const { run, mode } = option.evaluation
        const reasons = group.flatMap((recommendation) =>
          recommendation.reasons.map((reason) => recommendationReason(reason, nameOf)),
        )
        const chosen = isCurrent(option)
        return (
          <li key={group.map(({ name }) => name).join()}>
            <button
              type="button"
              aria-pressed={chosen}
              onClick={() => onChoose(option)}
              className={`grid w-full grid-cols-[1fr_auto] gap-x-3 rounded-sm border-2 px-3 py-2 text-left ${chosen ? 'border-gold-line bg-gold-soft' : 'border-rule hover:bg-sheet-2'}`}
            >
              <b className="font-semibold">
                {group.map(({ name }) => RECOMMENDATION_NAMES[name]).join(' · ')}
              </b>
              <b className="font-semibold">{option.cost === 0 ? 'no cost' : money(option.cost)}</b>
              <span className="col-span-2">
                {capacity(option.usableGiB)}, {modeWord(mode)}, {speed(run?.dataRate)}
                {option.settings?.manual && ', set by hand'}
              </span>
              <span className="col-span-2 text-sm text-ink-2">
                {[...new Set(reasons)].join('; ')}
              </span>
              {givesUp.length > 0 && (
                <span className="col-span-2 text-sm text-ink-2">
                  Gives up: {list(givesUp.map(givesUpWords))}.
                </span>
              )}
            </button>
          </li>
        )
      })}
    </ul>
  )
}
