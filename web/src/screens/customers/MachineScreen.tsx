import { Link, useParams } from 'react-router'
import { useCustomerQuery, useMachineRecordQuery, useModelsQuery } from '../../base/data'
import { capacity } from '../../base/format'
import { RecordPage } from './RecordPage'
import { VisitRecord } from './VisitRecord'

const LINK = 'inline-flex min-h-11 min-w-11 items-center underline'

/** A customer's machine: limits on record, and every visit with what it left in it. */
export function MachineScreen() {
  const { id = '' } = useParams()
  const { data: record, error, refetch } = useMachineRecordQuery(id)
  const { data: customer } = useCustomerQuery(record?.customerId ?? '', { skip: !record })
  const { data: models = [] } = useModelsQuery()
  const model = models.find((one) => one.id === record?.modelId)
  return (
    <RecordPage
      kind="machine"
      title={record?.machine.name ?? ''}
      isRead={record !== undefined}
      error={error}
      onRetry={refetch}
    >
      {record && (
        <>
          <dl className="flex flex-wrap gap-x-8 gap-y-1">
            <Fact name="Owner">
              <Link to={`/customers/${record.customerId}`} className={LINK}>
                {customer?.name ?? 'the customer'}
              </Link>
            </Fact>
            <Fact name="Serial number">
              <span className="font-mono">{record.serialNumber || 'not noted'}</span>
            </Fact>
            <Fact name="Memory">
              {record.machine.generation}, {record.machine.slots.length} slots
              {record.machine.limits.totalGiB
                ? `, at most ${capacity(record.machine.limits.totalGiB)}`
                : ''}
            </Fact>
            {model && (
              <Fact name="Model">
                <Link to={`/machines/${model.id}`} className={LINK}>
                  {model.machine.name}
                </Link>
              </Fact>
            )}
          </dl>
          {record.note && <p>{record.note}</p>}
          <VisitRecord of="machines" id={id} machines={[record]} />
        </>
      )}
    </RecordPage>
  )
}

function Fact({ name, children }: { name: string; children: React.ReactNode }) {
  return (
    <div>
      <dt className="text-sm text-ink-2">{name}</dt>
      <dd className="flex min-h-11 items-center">{children}</dd>
    </div>
  )
}
