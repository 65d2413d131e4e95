import { Link } from 'react-router'
import { useCustomerJobsQuery, useCustomerMachinesQuery } from '../../base/data'
import { day } from '../../base/format'

interface Props {
  customerId: string
  chosen: string | null
  onChoose: (machineId: string | null) => void
}

/** A known customer's machines to choose from, and the jobs there were. */
export function KnownCustomer({ customerId, chosen, onChoose }: Props) {
  const { data: machines = [] } = useCustomerMachinesQuery(customerId)
  const { data: jobs = [] } = useCustomerJobsQuery(customerId)
  if (machines.length === 0) return null
  return (
    <fieldset className="mb-3 clear-left flex flex-col gap-1">
      <legend className="font-semibold">The customer’s machines</legend>
      {machines.map(({ id, machine, serialNumber }) => (
        <label key={id} className="flex min-h-11 cursor-pointer items-center gap-3">
          <input
            type="radio"
            name="known-machine"
            className="size-5 accent-[var(--act)]"
            checked={chosen === id}
            onChange={() => onChoose(id)}
          />
          {machine.name}
          {serialNumber && <span className="text-ink-2">serial {serialNumber}</span>}
        </label>
      ))}
      <label className="flex min-h-11 cursor-pointer items-center gap-3">
        <input
          type="radio"
          name="known-machine"
          className="size-5 accent-[var(--act)]"
          checked={chosen === null}
          onChange={() => onChoose(null)}
        />
        Another machine
      </label>
      {jobs.length > 0 && (
        <p className="text-sm">
          Jobs so far:{' '}
          {jobs.map(({ id, number, machineName, updatedAt, state }, at) => (
            <span key={id}>
              {at > 0 && ', '}
              <Link
                to={`/jobs/${id}/${state === 'closed' ? 'handover' : ''}`}
                className="inline-flex min-h-11 items-center underline"
              >
                {number}, {machineName}, {day(updatedAt.slice(0, 10))}
              </Link>
            </span>
          ))}
          . What comes back after a closed job begins as a new visit there, with what is in it.
        </p>
      )}
    </fieldset>
  )
}
