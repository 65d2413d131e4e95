import { useNeededLinesQuery } from '../../base/data'
import { Bar } from '../../base/shell'
import { OrderList } from './OrderList'
import { Returns } from './Returns'
import { ToOrder } from './ToOrder'

/** What has to be ordered of suppliers, and what was. */
export function OrdersScreen() {
  const { data, isError } = useNeededLinesQuery()
  // The list below what is read late would slip away beneath the pointer.
  const isAboveRead = data !== undefined || isError
  return (
    <div className="flex min-h-dvh flex-col">
      <Bar>
        <h1 className="font-semibold">Parts orders</h1>
      </Bar>
      <main
        id="work"
        tabIndex={-1}
        className="outline-none mx-auto flex w-full max-w-7xl flex-1 flex-col gap-6 p-4"
      >
        <ToOrder />
        {isAboveRead && <OrderList />}
        {isAboveRead && <Returns />}
      </main>
    </div>
  )
}
