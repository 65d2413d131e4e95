import { isOurs, stoodBySince } from '@tembrix/core/shop/handover'
import { formatISO } from 'date-fns'
import { Link } from 'react-router'
import { useEarlierVisitsQuery } from '../../../../base/data'
import { day } from '../../../../base/format'
import { standsWords } from '../../../../parts/warranty'

const NOBODY = { shop: null, maker: null }

/** Modules that earlier visits fitted in this machine, and who still stands by each. */
export function EarlierFitted({ jobId }: { jobId: string }) {
  const { data: visits = [] } = useEarlierVisitsQuery(jobId)
  const today = formatISO(new Date(), { representation: 'date' })
  const fitted = visits.flatMap((visit) =>
    visit.fitted
      .filter(isOurs)
      .map((part) => ({ visit, part, by: stoodBySince([visit], part, today) })),
  )
  if (fitted.length === 0) return null
  return (
    <section aria-label="Fitted before" className="border-t border-rule py-2">
      <h3 className="font-semibold">Fitted before</h3>
      <ul className="text-[0.93rem]">
        {fitted.map(({ visit, part, by }) => (
          <li key={`${visit.jobId} ${part.slot}`} className="border-t border-rule py-1">
            <b className="font-mono font-semibold">{part.slot}</b> {part.text}
            {part.serial && <span className="text-ink-2"> · {part.serial}</span>}, {day(visit.on)},{' '}
            <Link to={`/jobs/${visit.jobId}/handover`} className="underline">
              job {visit.number}
            </Link>
            <span className="block text-ink-2">{standsWords(by ?? NOBODY)}</span>
          </li>
        ))}
      </ul>
    </section>
  )
}
