import { toChase, type WaitingFor } from '@tembrix/core/shop/handover'
import type { JobLine, NextAct } from '@tembrix/core/things/records'
import type { ReactNode } from 'react'
import { Link } from 'react-router'
import {
  saidOf,
  useChaseAgainMutation,
  useOpenJobsQuery,
  useReachedMutation,
  useWaitingQuery,
} from '../../base/data'
import { CHOICES, day, today } from '../../base/format'
import { Button, DateInput, ErrorText, LoadError, Waiting } from '../../base/ui'
import { ACTS } from '../../parts/acts'
import { REASON_NAMES, stateWords } from '../../parts/messages'

const LINK = 'inline-flex min-h-11 min-w-11 items-center underline'

/** Acts that wait for the customer, and for suppliers. */
const OF_CUSTOMERS: readonly NextAct[] = ['GET_APPROVAL', 'HAND_OVER', 'COLLECT']
const OF_SUPPLIERS: readonly NextAct[] = ['CHASE_PARTS', 'AWAIT_PARTS']

/** Everything that waits for somebody: messages that did not arrive, customers, suppliers, claims. */
export function WaitingView() {
  const jobs = useOpenJobsQuery(today())
  const waiting = useWaitingQuery()
  if (!jobs.data || !waiting.data) {
    return jobs.error || waiting.error ? (
      <LoadError
        title="What waits cannot be read"
        onRetry={() => {
          jobs.refetch()
          waiting.refetch()
        }}
      />
    ) : (
      <Waiting>Reading what waits…</Waiting>
    )
  }
  const at = (acts: readonly NextAct[]) => jobs.data?.filter(({ act }) => acts.includes(act)) ?? []
  const { messages, claims } = waiting.data
  return (
    <div className="flex flex-col gap-4 overflow-auto">
      <Part name="Messages that did not arrive" empty="Every message has arrived.">
        {messages.map((message) => (
          <Lost key={message.id} message={message} />
        ))}
      </Part>
      <Part name="Claims" empty="No claim waits for an answer.">
        {toChase(claims, today()).map(({ claim, isDue }) => (
          <Claim key={claim.id} claim={claim} isDue={isDue} />
        ))}
      </Part>
      <Part name="Suppliers" empty="No job waits for a part that is ordered.">
        {at(OF_SUPPLIERS).map((job) => (
          <Job key={job.id} job={job} />
        ))}
      </Part>
      <Part name="Customers" empty="No job waits for its customer.">
        {at(OF_CUSTOMERS).map((job) => (
          <Job key={job.id} job={job} />
        ))}
      </Part>
    </div>
  )
}

function Part({
  name,
  empty,
  children,
}: {
  name: string
  empty: string
  children: readonly ReactNode[]
}) {
  return (
    <section aria-label={name} className="rounded-sm border border-rule bg-sheet p-3">
      <h2 className="text-lg font-semibold">{name}</h2>
      {children.length === 0 ? <p className="text-ink-2">{empty}</p> : <ul>{children}</ul>}
    </section>
  )
}

const LINE = 'flex flex-wrap items-center gap-x-4 border-t border-rule py-1'

function Job({ job: { id, actId, number, customerName, phone, act, partsOn } }: { job: JobLine }) {
  const { words, step, to } = ACTS[act]
  return (
    <li className={LINE}>
      <Link to={`/jobs/${id}`} className={`${LINK} font-mono font-semibold text-act`}>
        {number}
      </Link>
      <span className="min-w-48 flex-1">
        {customerName} {phone && <span className="text-ink-2">{phone}</span>}
      </span>
      <Link to={to ?? `/jobs/${actId}/${step}`} className={LINK}>
        {words}
        {partsOn && `, due ${day(partsOn)}`}
      </Link>
    </li>
  )
}

function Lost({ message }: { message: WaitingFor['messages'][number] }) {
  const { jobId, job, customerName, phone, email, channel, to, reason } = message
  const [reached, { isLoading, error }] = useReachedMutation()
  const other = channel === 'mail' ? phone : email
  return (
    <li className={LINE}>
      <Link to={`/jobs/${jobId}`} className={`${LINK} font-mono font-semibold text-act`}>
        {job}
      </Link>
      <span className="min-w-48 flex-1">
        {customerName}: {REASON_NAMES[reason]}, to {to}
        <span className="block text-sm text-stop">{stateWords(message)}</span>
        <span className="block text-sm text-ink-2">
          {other
            ? `Another way: ${other}`
            : `There is no ${channel === 'mail' ? 'phone number' : 'mail address'} on record.`}
        </span>
      </span>
      <Button onClick={() => reached(message)} disabled={isLoading}>
        I have reached them
      </Button>
      <ErrorText>{error ? saidOf(error) : ''}</ErrorText>
    </li>
  )
}

function Claim({ claim, isDue }: { claim: WaitingFor['claims'][number]; isDue: boolean }) {
  const { id, version, jobId, job, customerName, text, serial, against, state, chaseOn } = claim
  const [chase, { error }] = useChaseAgainMutation()
  return (
    <li className={LINE}>
      <Link to={`/jobs/${jobId}/handover`} className={`${LINK} font-mono font-semibold text-act`}>
        {job}
      </Link>
      <span className="min-w-48 flex-1">
        {text || 'A module'}
        {serial && (
          <>
            {' · '}
            <span className="font-mono">{serial}</span>
          </>
        )}
        <span className="block text-sm text-ink-2">
          {against || 'nobody named'}, {CHOICES.state[state]}, for {customerName}
        </span>
      </span>
      <span className={isDue ? 'font-semibold text-stop' : 'text-ink-2'}>
        {chaseOn === null ? 'no day to ask again' : isDue ? 'ask now' : 'ask again'}
      </span>
      <span className="w-44">
        <DateInput
          id={`chase-${id}`}
          aria-label={`Ask again after the claim of job ${job} on`}
          aria-invalid={false}
          aria-describedby={undefined}
          value={chaseOn}
          onValue={(text) => {
            const next = /^\d{4}-\d{2}-\d{2}$/.test(text) ? text : null
            if (next !== null || text === '') void chase({ id, version, chaseOn: next })
          }}
        />
      </span>
      <ErrorText>{error ? saidOf(error) : ''}</ErrorText>
    </li>
  )
}
