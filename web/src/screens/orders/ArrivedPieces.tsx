import type { Order } from '@tembrix/core/things/records'
import { Undo2 } from 'lucide-react'
import { saidOf, useChangeOrderMutation } from '../../base/data'
import { day, dayAndTime } from '../../base/format'
import { callout, IconButton } from '../../base/ui'

/** What came with an order, piece by piece. */
export function ArrivedPieces({ order }: { order: Order }) {
  const [change, { error }] = useChangeOrderMutation()
  const articles = new Map(order.lines.map(({ id, module }) => [id, module.article]))
  return (
    <section aria-label="Here">
      <h2 className="text-lg font-semibold">Here</h2>
      <ul>
        {order.arrived.map(({ id, lineId, serial, invoice, warrantyUntil, wrong, at, by }) => (
          <li key={id} className="flex items-center gap-3 border-t border-rule">
            <span className="flex-1 py-1.5">
              <b className="font-mono font-medium">{serial}</b>{' '}
              {wrong ? (
                <span className="text-stop">
                  wrong part: {wrong}, in place of {articles.get(lineId)}
                </span>
              ) : (
                articles.get(lineId)
              )}
              <span className="block text-sm text-ink-2">
                {dayAndTime(at)}
                {by && ` · ${by}`}
                {invoice && ` · with ${invoice}`}
                {warrantyUntil && ` · warranty until ${day(warrantyUntil)}`}
              </span>
            </span>
            <IconButton
              label={`Take back ${serial}: noted by mistake`}
              onClick={() => change({ id: order.id, version: order.version, takenBack: [id] })}
            >
              <Undo2 size={17} aria-hidden />
            </IconButton>
          </li>
        ))}
      </ul>
      {error && (
        <p role="alert" className={callout({ tone: 'stop' })}>
          {saidOf(error)}
        </p>
      )}
    </section>
  )
}
