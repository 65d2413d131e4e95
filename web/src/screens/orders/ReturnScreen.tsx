import { creditExpected } from '@tembrix/core/shop/orders'
import type { SupplierReturn } from '@tembrix/core/things/records'
import { Printer, Send } from 'lucide-react'
import { useState } from 'react'
import { Link, useParams } from 'react-router'
import {
  saidOf,
  useChangeReturnMutation,
  useShopQuery,
  useSupplierReturnQuery,
} from '../../base/data'
import { day, minorFrom, moneyIn } from '../../base/format'
import { Bar, useTechnician } from '../../base/shell'
import { Button, ErrorText, Field, LoadError, TextInput, Waiting } from '../../base/ui'
import { RETURN_REASON_NAMES } from './words'

/** A return to a supplier: what goes back and why, sent, and the credit that came for it. Prints as the note to go with it. */
export function ReturnScreen() {
  const { id = '' } = useParams()
  const { data, error, refetch } = useSupplierReturnQuery(id)
  return (
    <div className="flex min-h-dvh flex-col">
      <Bar>
        <h1 className="font-semibold">
          {data ? `Return R${data.number} to ${data.supplier}` : 'Return'}
        </h1>
      </Bar>
      <main
        id="work"
        tabIndex={-1}
        className="outline-none mx-auto flex w-full max-w-4xl flex-1 flex-col gap-4 p-4"
      >
        {data ? (
          <Opened of={data} />
        ) : error ? (
          <LoadError title="The return cannot be read" onRetry={refetch} />
        ) : (
          <Waiting>Opening the return…</Waiting>
        )}
      </main>
    </div>
  )
}

function Opened({ of }: { of: SupplierReturn }) {
  const { id, version, number, supplier, lines, currency, sent, credited, reference } = of
  const [change, { error, isLoading }] = useChangeReturnMutation()
  const [technician] = useTechnician()
  const { data: shop } = useShopQuery()
  const [typed, setTyped] = useState('')
  const write = moneyIn(currency)
  const { amount, unknown } = creditExpected({ lines })
  const by = () => ({ at: new Date().toISOString(), by: technician })
  const got = minorFrom(typed)
  return (
    <>
      <section aria-label="Return note" className="rounded-sm border border-rule bg-sheet p-4">
        <p className="text-sm">
          {shop?.terms.shopName}
          <span className="block whitespace-pre-line text-ink-2">{shop?.terms.address}</span>
        </p>
        <h2 className="mt-2 text-lg font-semibold">
          Return R{number} to {supplier}
        </h2>
        {sent && <p>Sent {day(sent.at)}</p>}
        {reference && <p>Your reference: {reference}</p>}
        <table className="mt-2 w-full text-left">
          <thead>
            <tr className="border-b-2 border-rule">
              <th className="py-1">Part</th>
              <th>Serial number</th>
              <th>Came with</th>
              <th>Why</th>
              <th className="text-right">Credit</th>
            </tr>
          </thead>
          <tbody>
            {lines.map(({ id, text, serial, invoice, why, credit }) => (
              <tr key={id} className="border-b border-rule">
                <td className="py-1">{text}</td>
                <td className="font-mono">{serial}</td>
                <td>{invoice}</td>
                <td>{RETURN_REASON_NAMES[why]}</td>
                <td className="text-right">{credit === null ? 'to be named' : write(credit)}</td>
              </tr>
            ))}
          </tbody>
        </table>
        <p className="mt-2 text-right">
          {unknown === lines.length ? (
            'The supplier names the credit.'
          ) : (
            <>
              Credit expected: <b className="font-semibold">{write(amount)}</b>
              {unknown > 0 && ', and what the supplier names for the others'}
            </>
          )}
        </p>
      </section>
      <div className="flex flex-wrap items-end gap-3 print:hidden">
        <Button onClick={() => print()}>
          <Printer size={17} aria-hidden /> Print the return note
        </Button>
        {!sent && (
          <Button
            look="main"
            disabled={isLoading}
            onClick={() => change({ id, version, sent: by() })}
          >
            <Send size={17} aria-hidden /> It is on its way
          </Button>
        )}
        {sent && !credited && (
          <form
            className="flex items-end gap-2"
            onSubmit={(event) => {
              event.preventDefault()
              if (typeof got === 'number') {
                void change({ id, version, credited: { ...by(), amount: got } })
              }
            }}
          >
            <Field label="Credit received">
              {(control) => (
                <TextInput
                  {...control}
                  inputMode="decimal"
                  placeholder={unknown === lines.length ? '' : write(amount)}
                  value={typed}
                  onValue={setTyped}
                />
              )}
            </Field>
            <Button type="submit" disabled={isLoading || typeof got !== 'number'}>
              Credited
            </Button>
          </form>
        )}
        {credited && (
          <p>
            Credited {day(credited.at)}: <b className="font-semibold">{write(credited.amount)}</b>
            {credited.amount < amount && (
              <span className="text-risk">
                , {write(amount - credited.amount)} less than expected
              </span>
            )}
          </p>
        )}
      </div>
      <ErrorText>{error ? saidOf(error) : ''}</ErrorText>
      <Link
        to="/orders"
        className="inline-flex min-h-11 items-center self-start underline print:hidden"
      >
        To the orders
      </Link>
    </>
  )
}
