import type { OrderState } from '@tembrix/core/shop/orders'
import type { OrderRow } from '@tembrix/core/things/records'
import { useState } from 'react'
import { Link, useNavigate } from 'react-router'
import { loadedRows, useOrdersInfiniteQuery } from '../../base/data'
import { day, today } from '../../base/format'
import { type Column, DataTable } from '../../base/table'
import { Check, LoadError, LoadMore, Waiting } from '../../base/ui'
import { ORDER_STATE_NAMES } from './words'

const stateOf = ({ state }: OrderRow) => ORDER_STATE_NAMES[state as OrderState]

const COLUMNS: readonly Column<OrderRow>[] = [
  {
    id: 'number',
    name: 'Order',
    fixed: true,
    narrow: 'head',
    sortBy: ({ number }) => number,
    cell: ({ id, number }) => (
      <Link
        to={`/orders/${id}`}
        className="inline-flex min-h-11 min-w-11 items-center font-mono font-semibold text-act underline underline-offset-2"
      >
        {number}
      </Link>
    ),
  },
  {
    id: 'supplier',
    name: 'Supplier',
    look: 'font-medium',
    sortBy: ({ supplier }) => supplier,
    cell: ({ supplier }) => supplier,
  },
  {
    id: 'state',
    name: 'State',
    look: 'whitespace-nowrap',
    sortBy: stateOf,
    cell: (row) => (
      <span className={row.state === 'late' ? 'font-semibold text-stop' : ''}>{stateOf(row)}</span>
    ),
  },
  {
    id: 'pieces',
    name: 'Here',
    look: 'whitespace-nowrap',
    sortBy: ({ here, pieces }) => here - pieces,
    cell: ({ here, pieces }) => `${here} of ${pieces}`,
  },
  {
    id: 'due',
    name: 'Expected',
    look: 'whitespace-nowrap',
    sortBy: ({ dueOn }) => dueOn,
    cell: ({ dueOn }) => (dueOn ? day(dueOn) : '–'),
  },
  {
    id: 'jobs',
    name: 'For jobs',
    cell: ({ jobs }) => jobs.join(', '),
  },
  {
    id: 'sent',
    name: 'Sent',
    narrow: 'hidden',
    look: 'text-sm whitespace-nowrap text-ink-2',
    sortBy: ({ sent }) => sent?.at ?? null,
    cell: ({ sent }) => (sent ? `${day(sent.at)}${sent.by && `, ${sent.by}`}` : '–'),
  },
]

/** The shop's orders, the latest first. */
export function OrderList() {
  const navigate = useNavigate()
  const [closedToo, setClosedToo] = useState(false)
  const list = useOrdersInfiniteQuery(
    { open: !closedToo, today: today() },
    { refetchOnMountOrArgChange: true },
  )
  const rows = loadedRows(list.data)
  return (
    <section aria-label="Orders" className="flex min-h-0 flex-col gap-2">
      <div className="flex flex-wrap items-center gap-x-6">
        <h2 className="text-lg font-semibold">Orders</h2>
        <Check
          label="Delivered, refused and cancelled ones too"
          checked={closedToo}
          onChecked={setClosedToo}
        />
      </div>
      {list.error && !rows ? (
        <LoadError title="The orders cannot be read" onRetry={list.refetch} />
      ) : !rows ? (
        <Waiting>Reading the orders…</Waiting>
      ) : rows.length === 0 ? (
        <p className="text-ink-2">{closedToo ? 'No order yet.' : 'No order is open.'}</p>
      ) : (
        <DataTable
          name="Parts orders"
          rows={rows}
          columns={COLUMNS}
          keyOf={({ id }) => id}
          onOpen={({ id }) => navigate(`/orders/${id}`)}
          more={list.hasNextPage}
          foot={<LoadMore list={list} />}
        />
      )}
    </section>
  )
}
