import { lineStanding } from '@tembrix/core/orders'
import type { Arriving, DeliveryNote, Order, OrderLine } from '@tembrix/core/records'
import { PackageOpen, Truck } from 'lucide-react'
import { type FormEvent, useState } from 'react'
import {
  type OrderJob,
  saidOf,
  useChangeOrderMutation,
  useLazyDeliveriesQuery,
  useSupplierQuery,
} from '../../base/data'
import { day, plural } from '../../base/format'
import { notify } from '../../base/toast'
import { Button, callout, DateInput, Fault, Field, Select, TextInput } from '../../base/ui'

interface Props {
  order: Order
  jobs: readonly OrderJob[]
}

/** The parcel is unpacked: each piece by its serial number, scanned or typed; Enter takes it. */
export function Receive({ order, jobs }: Props) {
  const [change, { error, isLoading }] = useChangeOrderMutation()
  const [serial, setSerial] = useState('')
  const [invoice, setInvoice] = useState(order.arrived.at(-1)?.invoice ?? '')
  const [warrantyUntil, setWarranty] = useState(order.arrived.at(-1)?.warrantyUntil ?? '')
  const [wrong, setWrong] = useState('')
  const [fault, setFault] = useState('')
  const waiting = order.lines.filter((line) => openIn(order, line) > 0)
  const [chosen, setChosen] = useState('')
  const line = waiting.find(({ id }) => id === chosen) ?? waiting[0]
  const jobOf = ({ jobId }: OrderLine) => jobs.find(({ id }) => id === jobId)
  if (!line) return null

  async function take(event: FormEvent) {
    event.preventDefault()
    if (!line || serial.trim() === '') {
      setFault('Scan or type its serial number.')
      return
    }
    setFault('')
    const piece: Arriving = {
      id: crypto.randomUUID(),
      lineId: line.id,
      serial: serial.trim(),
      invoice: invoice.trim(),
      warrantyUntil: warrantyUntil || null,
      wrong: wrong.trim(),
    }
    const done = await change({ id: order.id, version: order.version, arriving: [piece] })
    if (done.error) return
    const job = jobOf(line)
    notify(
      wrong
        ? `${piece.serial} is noted as a wrong part.`
        : `${piece.serial} is on the shelf${job ? `, for job ${job.number}` : ''}.`,
    )
    setSerial('')
    setWrong('')
  }
  return (
    <section aria-label="Receive" className="flex flex-col gap-3 border-t-2 border-rule pt-3">
      <h2 className="flex items-center gap-2 text-lg font-semibold">
        <PackageOpen size={19} aria-hidden /> Unpack
      </h2>
      <OnItsWay order={order} />
      <form onSubmit={take} noValidate className="flex flex-col gap-3">
        <div className="grid items-start gap-3 sm:grid-cols-[2fr_3fr]">
          <Field label="Which line">
            {(control) => (
              <Select
                {...control}
                value={line.id}
                options={waiting.map((one) => ({
                  value: one.id,
                  label: `${one.module.article}, ${plural(openIn(order, one), 'piece')} awaited${jobOf(one) ? `, job ${jobOf(one)?.number}` : ''}`,
                }))}
                onValue={setChosen}
              />
            )}
          </Field>
          <Field label="Serial number, scanned or typed" error={fault || undefined}>
            {(control) => (
              <div className="flex gap-2">
                <TextInput {...control} className="font-mono" value={serial} onValue={setSerial} />
                <Button
                  look="main"
                  type="submit"
                  disabled={isLoading}
                  className="whitespace-nowrap"
                >
                  Take in
                </Button>
              </div>
            )}
          </Field>
          <Field label="Delivery note or invoice">
            {(control) => <TextInput {...control} value={invoice} onValue={setInvoice} />}
          </Field>
          <div className="grid gap-3 sm:grid-cols-2">
            <Field label="Supplier’s warranty until">
              {(control) => <DateInput {...control} value={warrantyUntil} onValue={setWarranty} />}
            </Field>
            <Field label="If it is another part: which">
              {(control) => (
                <TextInput {...control} value={wrong} onValue={setWrong} placeholder="right part" />
              )}
            </Field>
          </div>
        </div>
        <Fault>{error ? saidOf(error) : ''}</Fault>
      </form>
    </section>
  )
}

const openIn = (order: Order, line: OrderLine): number => {
  const { here, confirmed, ordered } = lineStanding(order, line)
  return (order.confirmation ? confirmed : ordered) - here
}

/** What the supplier says is under way, where this program can ask it. */
function OnItsWay({ order }: { order: Order }) {
  const connected = useSupplierQuery().data?.name === order.supplier
  const [ask, { data, error, isFetching }] = useLazyDeliveriesQuery()
  if (!connected || !order.confirmation) return null
  return (
    <div>
      <Button disabled={isFetching} onClick={() => ask(order.id)}>
        <Truck size={17} aria-hidden />
        {isFetching ? 'Waiting for the supplier…' : 'Ask what is on its way'}
      </Button>
      {error && (
        <p role="alert" className={callout({ tone: 'stop' })}>
          {saidOf(error)}
        </p>
      )}
      {data && !isFetching && (
        <ul className="mt-1">
          {data.map((note) => (
            <li key={note.number}>
              <Note note={note} order={order} />
            </li>
          ))}
        </ul>
      )}
    </div>
  )
}

function Note({ note, order }: { note: DeliveryNote; order: Order }) {
  return (
    <>
      Parcel {note.number}, sent {day(note.on)}:{' '}
      {note.lines.map(({ lineId, partNumber, quantity }, at) => {
        const ordered = order.lines.find(({ id }) => id === lineId)?.module.article
        return (
          <span key={lineId}>
            {at > 0 && '; '}
            {quantity} × {partNumber}
            {ordered !== partNumber && (
              <b className="font-semibold text-stop"> (ordered was {ordered})</b>
            )}
          </span>
        )
      })}
      .
    </>
  )
}
