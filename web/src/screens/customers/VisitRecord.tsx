import {
  type FittedEver,
  fittedEver,
  openAfter,
  type Visit,
  type VisitQuote,
} from '@tembrix/core/shop/handover'
import { isUndelivered, type MachineRecord } from '@tembrix/core/things/records'
import { Link } from 'react-router'
import { API, useVisitsQuery } from '../../base/data'
import { CHOICES, day, dayAndTime, moneyIn, plural, today } from '../../base/format'
import { Disclosure, LoadError, Waiting } from '../../base/ui'
import { CHANNEL_NAMES, REASON_NAMES } from '../../parts/messages'
import { standsWords } from '../../parts/warranty'

interface Props {
  of: 'customers' | 'machines'
  id: string
  machines: readonly MachineRecord[]
}

const LINK = 'inline-flex min-h-11 min-w-11 items-center underline'

/** Modules fitted with who stands by each, and the visits, the newest first. */
export function VisitRecord({ of, id, machines }: Props) {
  const { data: visits, error, refetch } = useVisitsQuery({ of, id, today: today() })
  if (!visits) {
    return error ? (
      <LoadError title="The visits cannot be read" onRetry={refetch} />
    ) : (
      <Waiting>Reading the visits…</Waiting>
    )
  }
  const names = new Map(machines.map((one) => [one.id, one.machine.name]))
  const several = of === 'customers' && machines.length > 1
  return (
    <>
      <Fitted fitted={fittedEver(visits, today())} names={several ? names : null} />
      <section aria-label="Visits" className="rounded-sm border border-rule bg-sheet p-3">
        <h2 className="font-semibold">{plural(visits.length, 'visit')}</h2>
        <ol>
          {visits.map((visit) => (
            <li key={visit.job.id} className="border-t border-rule py-2">
              <VisitView visit={visit} machine={several ? names.get(visit.machineId) : undefined} />
            </li>
          ))}
        </ol>
      </section>
    </>
  )
}

function Fitted({
  fitted,
  names,
}: {
  fitted: readonly FittedEver[]
  names: ReadonlyMap<string, string> | null
}) {
  if (fitted.length === 0) return null
  return (
    <section aria-label="Fitted by us" className="rounded-sm border border-rule bg-sheet p-3">
      <h2 className="font-semibold">Fitted by us</h2>
      <ul>
        {fitted.map(({ visit, part, by, outSince }) => (
          <li key={`${visit.job.id} ${part.slot}`} className="border-t border-rule py-1">
            {names && `${names.get(visit.machineId) ?? 'a machine'}, `}
            <b className="font-mono font-semibold">{part.slot}</b> {part.text}
            {part.serial && (
              <>
                {' · '}
                <span className="font-mono">{part.serial}</span>
              </>
            )}
            , {day(visit.on)},{' '}
            <Link to={`/jobs/${visit.job.id}/handover`} className={LINK}>
              job {visit.job.number}
            </Link>
            <span className="block text-ink-2">
              {outSince === null ? standsWords(by) : `Taken out in job ${outSince}.`}
            </span>
          </li>
        ))}
      </ul>
    </section>
  )
}

function VisitView({ visit, machine }: { visit: Visit; machine: string | undefined }) {
  const { job, cameAt, withoutWork, signed, quotes, claims, messages, photos } = visit
  const left = openAfter(visit)
  const lost = messages.filter(({ state }) => isUndelivered(state))
  return (
    <article aria-label={`Job ${job.number}`}>
      <p>
        <Link to={`/jobs/${job.id}`} className={`${LINK} font-mono font-semibold text-act`}>
          {job.number}
        </Link>{' '}
        {day(cameAt)}
        {machine && ` · ${machine}`} · {stateWords(visit)}
      </p>
      {job.complaint && <p>“{job.complaint}”</p>}
      <ul className="list-disc pl-5 text-[0.93rem]">
        {quotes.map((quote) => (
          <li key={quote.id}>{quoteWords(quote)}</li>
        ))}
        {signed?.measured.map(({ test, change }) => (
          <li key={test}>
            Measured: {test}, {change}
          </li>
        ))}
        {withoutWork === null &&
          left.points.map(({ code, text, reason }) => (
            <li key={code}>
              Left open: {text} ({reason})
            </li>
          ))}
        {claims.map(({ id, text, serial, state, against }) => (
          <li key={id} className={left.claims.some((one) => one.id === id) ? 'text-risk' : ''}>
            Claim{against && ` at ${against}`}: {text || 'a module'}
            {serial && `, ${serial}`}, {CHOICES.state[state]}
          </li>
        ))}
        {lost.map(({ id, reason, to }) => (
          <li key={id} className="text-stop">
            {REASON_NAMES[reason]}: the message to {to} did not arrive
          </li>
        ))}
      </ul>
      {messages.length > 0 && (
        <Disclosure summary={<span className="text-sm">{plural(messages.length, 'message')}</span>}>
          <ul className="text-sm">
            {messages.map(({ id, createdAt, reason, channel, to, state }) => (
              <li key={id}>
                {dayAndTime(createdAt)}: {REASON_NAMES[reason]}, {CHANNEL_NAMES[channel]} to {to},{' '}
                {CHOICES.state[state]}
              </li>
            ))}
          </ul>
        </Disclosure>
      )}
      {photos.length > 0 && (
        <ul className="flex flex-wrap gap-2 pt-1">
          {photos.map(({ id, caption }) => (
            <li key={id}>
              <img
                src={`${API}/photos/${id}/picture`}
                alt={caption || 'A photo of this visit'}
                loading="lazy"
                className="h-20 rounded-sm border border-rule"
              />
            </li>
          ))}
        </ul>
      )}
    </article>
  )
}

function stateWords({ job, signed, withoutWork }: Visit): string {
  if (withoutWork) return `ended without work: ${CHOICES.withoutWork[withoutWork]}`
  if (job.state === 'closed') return signed ? `signed ${day(signed.on)}, closed` : 'closed'
  return signed ? `signed ${day(signed.on)}, not collected` : 'open'
}

function quoteWords({ number, offeredOn, options, currency, ended }: VisitQuote): string {
  const write = moneyIn(currency)
  const agreed = options.find(({ isApproved }) => isApproved)
  const what = agreed ? [agreed] : options
  const sums = what.map(({ title, toPay }) => `${title}, ${write(toPay)}`)
  const end = agreed ? 'approved' : (ended ?? 'not approved')
  return `Quote ${number}${offeredOn && ` of ${day(offeredOn)}`}: ${sums.join('; ')}, ${end}`
}
