import type { MachineRecord } from '@tembrix/core/things/records'
import { Plus } from 'lucide-react'
import { Link, useParams } from 'react-router'
import { useCustomerMachinesQuery, useCustomerQuery } from '../../base/data'
import { RecordPage } from './RecordPage'
import { VisitRecord } from './VisitRecord'

/** A customer: how to reach them, their machines, and every visit with what it left on record. */
export function CustomerScreen() {
  const { id = '' } = useParams()
  const { data: customer, error, refetch } = useCustomerQuery(id)
  const { data: machines = [] } = useCustomerMachinesQuery(id)
  return (
    <RecordPage
      kind="customer"
      title={customer?.name ?? ''}
      isRead={customer !== undefined}
      error={error}
      onRetry={refetch}
    >
      {customer && (
        <>
          <p className="flex flex-wrap items-center gap-x-6">
            {customer.phone ? (
              <a href={`tel:${customer.phone}`} className={LINK}>
                {customer.phone}
              </a>
            ) : (
              <span className="text-ink-2">no phone number</span>
            )}
            {customer.email ? (
              <a href={`mailto:${customer.email}`} className={LINK}>
                {customer.email}
              </a>
            ) : (
              <span className="text-ink-2">no mail address</span>
            )}
            <Link
              to={`/jobs/new?customer=${customer.id}`}
              className="ml-auto inline-flex min-h-11 items-center gap-2 rounded-sm border border-rule-2 px-3 font-medium hover:bg-sheet-2"
            >
              <Plus size={17} aria-hidden /> New job for them
            </Link>
          </p>
          <Machines machines={machines} />
          <VisitRecord of="customers" id={id} machines={machines} />
        </>
      )}
    </RecordPage>
  )
}

const LINK = 'inline-flex min-h-11 min-w-11 items-center underline'

function Machines({ machines }: { machines: readonly MachineRecord[] }) {
  if (machines.length === 0) return null
  return (
    <section aria-label="Machines" className="rounded-sm border border-rule bg-sheet p-3">
      <h2 className="font-semibold">Machines</h2>
      <ul>
        {machines.map(({ id, machine, serialNumber }) => (
          <li key={id} className="border-t border-rule">
            <Link to={`/customers/machines/${id}`} className={LINK}>
              {machine.name}
            </Link>
            {serialNumber && <span className="font-mono text-ink-2"> {serialNumber}</span>}
          </li>
        ))}
      </ul>
    </section>
  )
}
