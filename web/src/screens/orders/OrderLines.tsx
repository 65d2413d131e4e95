import { lineStanding, orderSums } from '@tembrix/core/shop/orders'
import type { Order, OrderLine } from '@tembrix/core/things/records'
import { Link } from 'react-router'
import type { OrderJob } from '../../base/data'
import { day, moneyIn } from '../../base/format'
import { describeModule } from '../../parts/board'
import { useSeesCosts } from '../../parts/shop'

interface Props {
  order: Order
  jobs: readonly OrderJob[]
}

/** What is ordered, for whom, and how far each line is; what it costs is for the owner’s eyes. */
export function OrderLines({ order, jobs }: Props) {
  const seesCosts = useSeesCosts()
  const byId = new Map(jobs.map((job) => [job.id, job]))
  const { cost, price } = orderSums(order)
  const money = moneyIn(order.currency)
  const known = order.confirmation !== null
  return (
    <section aria-label="Lines" className="overflow-x-auto">
      <table className="w-full text-left">
        <thead className="border-b-2 border-rule text-sm text-ink-2">
          <tr>
            <th className="py-1 pr-3 font-medium">Part</th>
            <th className="py-1 pr-3 font-medium">For</th>
            <th className="py-1 pr-3 text-right font-medium">Ordered</th>
            <th className="py-1 pr-3 text-right font-medium">Here</th>
            <th className="py-1 pr-3 font-medium">Expected</th>
            {seesCosts && <th className="py-1 pr-3 text-right font-medium">Cost each</th>}
            <th className="py-1 text-right font-medium">Price each</th>
          </tr>
        </thead>
        <tbody>
          {order.lines.map((line) => (
            <Line
              key={line.id}
              order={order}
              line={line}
              job={byId.get(line.jobId)}
              seesCosts={seesCosts}
            />
          ))}
        </tbody>
      </table>
      {seesCosts && known && (
        <p className="mt-2 text-sm">
          {cost === null ? 'What it costs is not all known' : `Cost ${money(cost)}`}
          {price === null ? '; a line has no price' : `, customers pay ${money(price)}`}
          {cost !== null && price !== null && `: ${money(price - cost)} left`}.{' '}
          <span className="text-ink-2">
            Cost as the supplier confirmed it, prices as customers pay them. Seen by owners.
          </span>
        </p>
      )}
    </section>
  )
}

function Line({
  order,
  line,
  job,
  seesCosts,
}: {
  order: Order
  line: OrderLine
  job: OrderJob | undefined
  seesCosts: boolean
}) {
  const { here, confirmed, wrong } = lineStanding(order, line)
  const said = order.confirmation?.lines.find(({ lineId }) => lineId === line.id)
  const money = moneyIn(order.currency)
  const size = line.module.kit?.size ?? 1
  const times = line.purchases.length
  return (
    <tr className="border-b border-rule align-top">
      <td className="py-2 pr-3">
        <b className="font-medium">{line.module.article}</b>
        <span className="block text-sm text-ink-2">{describeModule(line.module)}</span>
        {said?.why && <span className="block text-sm text-risk">{said.why}</span>}
        {wrong > 0 && (
          <span className="block text-sm text-stop">
            {wrong === 1 ? 'A wrong part came' : `${wrong} wrong parts came`}
          </span>
        )}
      </td>
      <td className="py-2 pr-3">
        {job && (
          <Link
            to={`/jobs/${job.id}`}
            className="inline-flex min-h-11 min-w-11 items-center underline"
          >
            Job {job.number}, {job.customerName}
          </Link>
        )}
      </td>
      <td className="py-2 pr-3 text-right tabular-nums">
        {times}
        {size > 1 && ` kit${times === 1 ? '' : 's'}`}
        {said && said.times < times && (
          <span className="block text-sm font-medium text-stop">confirmed {said.times}</span>
        )}
      </td>
      <td className="py-2 pr-3 text-right tabular-nums">
        {here} of {confirmed}
      </td>
      <td className="py-2 pr-3 whitespace-nowrap">{said?.dueOn ? day(said.dueOn) : 'not said'}</td>
      {seesCosts && (
        <td className="py-2 pr-3 text-right tabular-nums">
          {said?.cost == null ? '–' : money(said.cost)}
        </td>
      )}
      <td className="py-2 text-right tabular-nums">
        {line.price === null ? '–' : money(line.price)}
      </td>
    </tr>
  )
}
