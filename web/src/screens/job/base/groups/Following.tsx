import { Link } from 'react-router'
import { callout } from '../../../../base/ui'
import { useJobPart } from '../file'
import { SingleOut } from './SingleOut'

/** In place of what a machine has from the first of several like it: where that is changed. */
export function Following({ what, step }: { what: string; step: string }) {
  const lead = useJobPart(({ file }) => file.lead)
  const machines = useJobPart(({ file }) => file.machines)
  if (!lead) return null
  return (
    <section aria-label="Follows another job" className={callout({ tone: 'note' })}>
      <p>
        One of {machines} like machines: {what} of{' '}
        <Link
          to={`/jobs/${lead.id}/${step}`}
          className="-my-3 inline-flex min-h-11 min-w-11 items-center underline"
        >
          job {lead.number}
        </Link>{' '}
        is for all of them, and is changed there.
      </p>
      <SingleOut />
    </section>
  )
}
