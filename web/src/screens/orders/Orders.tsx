import { Bar } from '../../base/shell'
import { OrderList } from './OrderList'
import { ToOrder } from './ToOrder'

/** What has to be ordered of suppliers, and what was. */
export function Orders() {
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
        <OrderList />
      </main>
    </div>
  )
}
