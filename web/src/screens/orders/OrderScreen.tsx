import { skipToken } from '@reduxjs/toolkit/query/react'
import { orderState } from '@tembrix/core/shop/orders'
import type { Order } from '@tembrix/core/things/records'
import { Download, Send, Trash2 } from 'lucide-react'
import { useState } from 'react'
import { Link, useNavigate, useParams } from 'react-router'
import {
  API,
  saidOf,
  useChangeOrderMutation,
  useOrderJobsQuery,
  useOrderQuery,
  useRemoveOrderMutation,
  useSendOrderMutation,
  useSupplierQuery,
} from '../../base/data'
import { day, today } from '../../base/format'
import { Bar, useTechnician } from '../../base/shell'
import { Button, callout, Field, LoadError, saveAs, TextInput, Waiting } from '../../base/ui'
import { ArrivedPieces } from './ArrivedPieces'
import { CancelOrder } from './CancelOrder'
import { ConfirmByHand } from './ConfirmByHand'
import { OrderLines } from './OrderLines'
import { Receive } from './Receive'
import { ORDER_STATE_NAMES } from './words'

/** One order: sent, confirmed, unpacked. */
export function OrderScreen() {
  const { id } = useParams()
  const { data: order, error, refetch } = useOrderQuery(id ?? skipToken)
  return (
    <div className="flex min-h-dvh flex-col">
      <Bar>
        <h1 className="font-semibold">Order {order?.number}</h1>
      </Bar>
      <main
        id="work"
        tabIndex={-1}
        className="outline-none mx-auto flex w-full max-w-5xl flex-1 flex-col gap-5 bg-sheet p-5"
      >
        <Link to="/orders" className="inline-flex min-h-11 items-center self-start underline">
          All parts orders
        </Link>
        {error && !order ? (
          <LoadError title="This order cannot be read" onRetry={refetch} />
        ) : !order ? (
          <Waiting>Reading the order…</Waiting>
        ) : (
          <OrderView key={order.id} order={order} />
        )}
      </main>
    </div>
  )
}

function OrderView({ order }: { order: Order }) {
  const { data: jobs = [] } = useOrderJobsQuery(order.id)
  const state = orderState(order, today())
  const { supplier, sent, confirmation, cancelled } = order
  return (
    <>
      <p>
        <b className="text-lg font-semibold">{supplier}</b>:{' '}
        <span className={state === 'late' ? 'font-semibold text-stop' : ''}>
          {ORDER_STATE_NAMES[state]}
        </span>
        <span className="block text-sm text-ink-2">
          {sent
            ? `Sent ${day(sent.at)}${sent.by && ` by ${sent.by}`}. `
            : 'Nothing has gone to the supplier yet. '}
          {confirmation &&
            `Confirmed ${day(confirmation.at)}${confirmation.reference && ` as ${confirmation.reference}`}. `}
          {cancelled &&
            `Cancelled ${day(cancelled.at)}${cancelled.by && ` by ${cancelled.by}`}: ${cancelled.why}`}
        </span>
      </p>
      <OrderLines order={order} jobs={jobs} />
      <Sending order={order} />
      {sent && !confirmation && !cancelled && <ConfirmByHand order={order} />}
      {sent && state !== 'delivered' && state !== 'refused' && (
        <Receive order={order} jobs={jobs} />
      )}
      {order.arrived.length > 0 && <ArrivedPieces order={order} />}
      {sent && order.open && <CancelOrder order={order} />}
    </>
  )
}

/** The way to the supplier: asked by this program where it can, else as a file. */
function Sending({ order }: { order: Order }) {
  const navigate = useNavigate()
  const connected = useSupplierQuery().data?.name === order.supplier
  const [technician] = useTechnician()
  const [send, sending] = useSendOrderMutation()
  const [change, changing] = useChangeOrderMutation()
  const [remove, removing] = useRemoveOrderMutation()
  const [note, setNote] = useState(order.note)
  const { id, version, sent, confirmation, number, supplier } = order
  const error = sending.error ?? changing.error ?? removing.error
  const isOpen = !sent || (!confirmation && connected)

  /** Stores the note as it is typed, where it is not yet; resolves with the version the order has then. */
  async function saveNote(): Promise<number> {
    if (sent || note === order.note) return version
    const { data } = await change({ id, version, note })
    return data?.version ?? version
  }
  async function markSent() {
    const sent = { at: new Date().toISOString(), by: technician }
    await change({ id, version, note, sent })
  }
  async function saveFile(form: 'csv' | 'json') {
    await saveNote()
    saveAs(`${API}/orders/${id}/file?form=${form}`, `order-${number}.${form}`)
  }
  async function drop() {
    const done = await remove({ id, version })
    if (!done.error) navigate('/orders')
  }
  return (
    <section aria-label="To the supplier" className="flex flex-col gap-2">
      {!sent && (
        <Field label="Note for the supplier">
          {(control) => <TextInput {...control} lines={2} value={note} onValue={setNote} />}
        </Field>
      )}
      <div className="flex flex-wrap items-center gap-3">
        {isOpen && !order.cancelled && connected && (
          <Button
            look="main"
            disabled={sending.isLoading}
            onClick={async () => send({ id, version: await saveNote() })}
          >
            <Send size={17} aria-hidden />
            {sending.isLoading
              ? 'Waiting for the supplier…'
              : sent
                ? `Ask ${supplier} to confirm`
                : `Send to ${supplier}`}
          </Button>
        )}
        {!sent && !connected && (
          <Button look="main" onClick={markSent}>
            <Send size={17} aria-hidden /> I have sent it
          </Button>
        )}
        {(['csv', 'json'] as const).map((form) => (
          <Button key={form} onClick={() => saveFile(form)}>
            <Download size={17} aria-hidden /> As {form.toUpperCase()}
          </Button>
        ))}
        {!sent && (
          <Button look="quiet" aria-label={`Remove order ${number}`} onClick={drop}>
            <Trash2 size={17} aria-hidden /> Remove
          </Button>
        )}
      </div>
      {!sent && !connected && (
        <p className="text-sm text-ink-2">
          This program does not reach {supplier} itself: send the file by mail or in their shop,
          then note that it is sent and what they confirm.
        </p>
      )}
      {error && (
        <p role="alert" className={callout({ tone: 'stop' })}>
          {saidOf(error)}
        </p>
      )}
    </section>
  )
}
