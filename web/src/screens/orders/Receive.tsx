import { lineStanding } from '@tembrix/core/shop/orders'
import type { Arriving, DeliveryNote, Order, OrderLine } from '@tembrix/core/things/records'
import { PackageOpen, Truck } from 'lucide-react'
import { type FormEvent, useEffect, useRef, useState } from 'react'
import {
  type OrderJob,
  saidOf,
  useChangeOrderMutation,
  useLazyDeliveriesQuery,
  useSupplierQuery,
} from '../../base/data'
import { day, plural } from '../../base/format'
import { notify } from '../../base/toast'
import { Button, callout, DateInput, ErrorText, Field, Select, TextInput } from '../../base/ui'

interface Props {
  order: Order
  jobs: readonly OrderJob[]
}

/** A piece on its way into the order: `inVersion` is the order's version that has it, null until it is stored. */
interface Sending {
  piece: Arriving
  inVersion: number | null
}

interface Refused {
  serial: string
  why: string
}

/** The parcel is unpacked: each piece by its serial number, scanned or typed; Enter takes it. */
export function Receive({ order, jobs }: Props) {
  const [change] = useChangeOrderMutation()
  const before = useRef<Promise<void>>(Promise.resolve())
  const version = useRef(order.version)
  useEffect(() => {
    version.current = Math.max(version.current, order.version)
  }, [order.version])
  const [serial, setSerial] = useState('')
  const [invoice, setInvoice] = useState(order.arrived.at(-1)?.invoice ?? '')
  const [warrantyUntil, setWarranty] = useState(order.arrived.at(-1)?.warrantyUntil ?? '')
  const [wrong, setWrong] = useState('')
  const [fault, setFault] = useState('')
  const [sending, setSending] = useState<readonly Sending[]>([])
  const [refused, setRefused] = useState<readonly Refused[]>([])
  const openIn = (line: OrderLine) => openBeside(order, line, sending)
  const waiting = order.lines.filter((line) => openIn(line) > 0)
  const [chosen, setChosen] = useState('')
  const line = waiting.find(({ id }) => id === chosen) ?? waiting[0]
  const jobOf = ({ jobId }: OrderLine) => jobs.find(({ id }) => id === jobId)
  if (!line) return null

  /** A scanner does not wait: each piece is sent off once those before it are stored, and the field is free at once. */
  function take(event: FormEvent) {
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
    setSerial('')
    setWrong('')
    setSending((now) => [...now, { piece, inVersion: null }])
    setRefused((now) => now.filter((one) => one.serial !== piece.serial))
    const job = jobOf(line)
    before.current = before.current.then(async () => {
      const done = await change({ id: order.id, version: version.current, arriving: [piece] })
      if (done.error) {
        setSending((now) => now.filter((one) => one.piece !== piece))
        setRefused((now) => [...now, { serial: piece.serial, why: saidOf(done.error) }])
        setSerial((now) => now || piece.serial)
        setWrong((now) => now || piece.wrong)
        return
      }
      const { version: inVersion } = done.data
      version.current = inVersion
      setSending((now) => now.map((one) => (one.piece === piece ? { piece, inVersion } : one)))
      notify(
        piece.wrong
          ? `${piece.serial} is noted as a wrong part.`
          : `${piece.serial} is on the shelf${job ? `, for job ${job.number}` : ''}.`,
      )
    })
  }
  return (
    <section aria-label="Receive" className="flex flex-col gap-3 border-t-2 border-rule pt-3">
      <h2 className="flex items-center gap-2 text-lg font-semibold">
        <PackageOpen size={19} aria-hidden /> Unpack
      </h2>
      <OnItsWay order={order} />
      <form onSubmit={take} noValidate className="flex flex-col gap-3">
        <div className="grid items-start gap-3 lg:grid-cols-[2fr_3fr]">
          <Field label="Which line">
            {(control) => (
              <Select
                {...control}
                value={line.id}
                options={waiting.map((one) => ({
                  value: one.id,
                  label: `${one.module.article}, ${plural(openIn(one), 'piece')} awaited${jobOf(one) ? `, job ${jobOf(one)?.number}` : ''}`,
                }))}
                onValue={setChosen}
              />
            )}
          </Field>
          <Field label="Serial number, scanned or typed" error={fault || undefined}>
            {(control) => (
              <div className="flex gap-2">
                <TextInput {...control} className="font-mono" value={serial} onValue={setSerial} />
                <Button look="main" type="submit" className="whitespace-nowrap">
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
        {refused.map(({ serial, why }) => (
          <ErrorText key={serial}>{`${serial} is not taken in: ${why}`}</ErrorText>
        ))}
      </form>
    </section>
  )
}

/** Pieces of a line that are awaited still, those left out that are being stored. */
function openBeside(order: Order, line: OrderLine, sending: readonly Sending[]): number {
  const { here, confirmed, ordered } = lineStanding(order, line)
  const stored = new Set(order.arrived.map(({ id }) => id))
  const coming = sending.filter(
    ({ piece: { id, lineId, wrong }, inVersion }) =>
      lineId === line.id &&
      wrong === '' &&
      !stored.has(id) &&
      (inVersion === null || order.version < inVersion),
  )
  return (order.confirmation ? confirmed : ordered) - here - coming.length
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
