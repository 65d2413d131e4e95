import { PAYMENT_METHODS, type Payment } from '@tembrix/core/things/records'
import { Trash2 } from 'lucide-react'
import { useState } from 'react'
import {
  CHOICES,
  currencySign,
  dayAndTime,
  inUnits,
  minorFrom,
  money,
} from '../../../../base/format'
import { useTechnician } from '../../../../base/shell'
import { Button, ErrorText, Field, IconButton, Select, TextInput } from '../../../../base/ui'
import type { HandingOver } from './useHandover'

const METHODS = PAYMENT_METHODS.map((value) => ({ value, label: CHOICES.method[value] }))

/** What is to be paid and what was. */
export function Payments({ handing: { facts, handover, set } }: { handing: HandingOver }) {
  const [technician] = useTechnician()
  const { toPay, paid } = facts
  const left = (toPay ?? 0) - paid
  const [typed, setTyped] = useState<string | null>(null)
  const [method, setMethod] = useState<Payment['method']>('card')
  const [fault, setFault] = useState('')

  function receive() {
    const amount = minorFrom(typed ?? String(inUnits(Math.max(0, left))))
    if (typeof amount !== 'number' || amount === 0) {
      setFault('Enter the amount received.')
      return
    }
    const payment = {
      id: crypto.randomUUID(),
      amount,
      method,
      at: new Date().toISOString(),
      by: technician,
    }
    set({ payments: [...handover.payments, payment] })
    setTyped(null)
    setFault('')
  }

  if (toPay === null && handover.payments.length === 0) return null
  return (
    <section aria-label="Payment">
      <h3 className="font-semibold">Payment</h3>
      <p>
        To pay {money(toPay ?? 0)}, received {money(paid)}
        {left > 0 && (
          <>
            , <b className="font-semibold">{money(left)} open</b>
          </>
        )}
        {left < 0 && (
          <>
            , <b className="font-semibold">{money(-left)} too much</b>
          </>
        )}
        .
      </p>
      <ul className="text-[0.93rem]">
        {handover.payments.map((payment) => (
          <li key={payment.id} className="flex items-center gap-2 border-t border-rule">
            <span className="flex-1">
              {money(payment.amount)}, {CHOICES.method[payment.method]}
              <span className="text-ink-2">
                {' '}
                · {dayAndTime(payment.at)}
                {payment.by && ` · ${payment.by}`}
              </span>
            </span>
            {!handover.signed && (
              <IconButton
                label={`Remove the payment of ${money(payment.amount)}`}
                look="remove"
                onClick={() =>
                  set({ payments: handover.payments.filter(({ id }) => id !== payment.id) })
                }
              >
                <Trash2 size={17} aria-hidden />
              </IconButton>
            )}
          </li>
        ))}
      </ul>
      {left > 0 && (
        <div className="mt-1 grid grid-cols-[1fr_1fr_auto] items-end gap-2">
          <Field label={`Received, ${currencySign()}`}>
            {(control) => (
              <TextInput
                {...control}
                inputMode="decimal"
                value={typed ?? inUnits(left)}
                onValue={setTyped}
              />
            )}
          </Field>
          <Field label="Paid by">
            {(control) => (
              <Select {...control} value={method} options={METHODS} onValue={setMethod} />
            )}
          </Field>
          <Button onClick={receive}>Received</Button>
        </div>
      )}
      <ErrorText>{fault}</ErrorText>
    </section>
  )
}
