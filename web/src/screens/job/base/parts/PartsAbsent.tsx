import { meanwhile } from '@tembrix/core/shop/job'
import { isHere, type PlannedPart, unitName } from '@tembrix/core/shop/orders'
import { UNFITTED } from '@tembrix/core/things/records'
import { Link } from 'react-router'
import { Button, callout } from '../../../../base/ui'
import { describeModule } from '../../../../parts/board'
import { useJob, useOneRecord } from '../file'
import { absentWords } from './words'

const MEANWHILE = {
  SETTLE: { step: 'identify', words: 'settle what is still open in Identify' },
  MEASURE: { step: 'verify', words: 'measure it as it is' },
} as const

/** Parts of the plan that are not here: where each is, when it comes, and work that needs none of them. */
export function PartsAbsent() {
  const { file, parts, evidence, pieces } = useJob()
  const { record: fit, set } = useOneRecord('fits', file.fits[0], UNFITTED)
  const absent = parts?.filter((part) => !isHere(part)) ?? []
  if (absent.length === 0) return null
  const instead = meanwhile(file, evidence)
  const here = (part: PlannedPart) =>
    set({ hereWithoutOrder: [...fit.hereWithoutOrder, unitName(part)] })
  return (
    <section aria-label="Parts not here" className={callout({ tone: 'risk' })}>
      <h3 className="font-semibold">
        {absent.length === 1 ? 'A part is not here' : `${absent.length} parts are not here`}
      </h3>
      <ul>
        {absent.map((part) => {
          const module = pieces.get(part.moduleId)?.module
          return (
            <li
              key={part.slot}
              className="flex flex-wrap items-center gap-x-3 border-t border-rule py-1"
            >
              <span className="min-w-64 flex-1">
                <b className="font-mono font-semibold">{part.slot}</b>{' '}
                {module ? describeModule({ ...module, kit: null }) : 'a module that is gone'}:{' '}
                {absentWords(part)}.
              </span>
              <Way part={part} />
              {part.place === 'to-order' && (
                <Button look="quiet" onClick={() => here(part)}>
                  It is here
                </Button>
              )}
            </li>
          )
        })}
      </ul>
      <p className="text-[0.93rem]">
        Meanwhile: read the cautions, back up
        {instead.map((code) => (
          <span key={code}>
            ,{' '}
            <Link to={`/jobs/${file.id}/${MEANWHILE[code].step}`} className="underline">
              {MEANWHILE[code].words}
            </Link>
          </span>
        ))}
        .
      </p>
    </section>
  )
}

/** The place where a part that is not here is ordered, chased or replaced. */
function Way({ part: { place, ordered } }: { part: PlannedPart }) {
  const { file } = useJob()
  const look = 'inline-flex min-h-11 items-center underline'
  if (ordered) {
    return (
      <Link to={`/orders/${ordered.order.id}`} className={look}>
        Order {ordered.order.number}
      </Link>
    )
  }
  return place === 'to-order' ? (
    <Link to="/orders" className={look}>
      Order it
    </Link>
  ) : (
    <Link to={`/jobs/${file.id}/plan`} className={look}>
      To the plan
    </Link>
  )
}
