import { creditExpected, type Returnable } from '@tembrix/core/shop/orders'
import { grouped } from '@tembrix/core/things/model'
import type { ReturnReason } from '@tembrix/core/things/records'
import { Undo2 } from 'lucide-react'
import { useState } from 'react'
import { Link, useNavigate } from 'react-router'
import {
  saidOf,
  useCreateReturnMutation,
  useReturnableQuery,
  useReturnsQuery,
} from '../../base/data'
import { day, money, moneyIn, plural } from '../../base/format'
import { Button, Check, ErrorText, LoadError } from '../../base/ui'
import { RETURN_REASON_NAMES } from './words'

/** Parts that can go back to suppliers, and the returns made of such. */
export function Returns() {
  const { data: parts, error, refetch } = useReturnableQuery()
  const { data: made = [] } = useReturnsQuery()
  if (error && !parts) return <LoadError title="Returns cannot be read" onRetry={refetch} />
  if (!parts || (parts.length === 0 && made.length === 0)) return null
  return (
    <section aria-label="Returns" className="flex flex-col gap-3">
      <h2 className="text-lg font-semibold">To give back to suppliers</h2>
      {[...grouped(parts, ({ supplier }) => supplier)].map(([supplier, own]) => (
        <OfSupplier key={supplier} supplier={supplier} parts={own} />
      ))}
      {made.length > 0 && (
        <ul className="rounded-sm border border-rule bg-sheet p-3">
          {made.map(({ id, number, supplier, lines, currency, sent, credited }) => {
            const write = moneyIn(currency)
            const { amount, unknown } = creditExpected({ lines })
            return (
              <li
                key={id}
                className="flex flex-wrap items-center gap-x-4 border-t border-rule first:border-0"
              >
                <Link
                  to={`/returns/${id}`}
                  className="inline-flex min-h-11 min-w-11 items-center font-mono font-semibold text-act underline underline-offset-2"
                >
                  R{number}
                </Link>
                <span className="min-w-48 flex-1">
                  {supplier}, {plural(lines.length, 'part')}
                </span>
                <span className={sent && !credited ? 'font-medium text-risk' : 'text-ink-2'}>
                  {credited
                    ? `credited ${write(credited.amount)}`
                    : sent
                      ? `sent ${day(sent.at)}, credit of ${write(amount)} expected${unknown > 0 ? ' and more' : ''}`
                      : 'not sent yet'}
                </span>
              </li>
            )
          })}
        </ul>
      )}
    </section>
  )
}

const keyOf = ({ pieceId, arrivalId }: Returnable) => pieceId ?? arrivalId ?? ''

function OfSupplier({ supplier, parts }: { supplier: string; parts: readonly Returnable[] }) {
  const navigate = useNavigate()
  const [create, { error, isLoading }] = useCreateReturnMutation()
  // What is surplus may be wanted for another job: it goes back only where somebody says so.
  const [chosen, setChosen] = useState<ReadonlySet<string>>(
    () => new Set(parts.filter(({ why }) => why !== 'surplus').map(keyOf)),
  )
  const going = parts.filter((part) => chosen.has(keyOf(part)))

  async function make() {
    const lines = going.map(({ supplier: _, ...line }) => ({ ...line, id: crypto.randomUUID() }))
    const { data } = await create({ id: crypto.randomUUID(), supplier, lines })
    if (data) navigate(`/returns/${data.id}`)
  }
  const toggle = (part: Returnable, on: boolean) =>
    setChosen((now) => {
      const next = new Set(now)
      if (on) next.add(keyOf(part))
      else next.delete(keyOf(part))
      return next
    })
  return (
    <div className="rounded-sm border border-rule bg-sheet p-3">
      <div className="flex flex-wrap items-center gap-3">
        <h3 className="mr-auto font-semibold">{supplier}</h3>
        <Button disabled={going.length === 0 || isLoading} onClick={make}>
          <Undo2 size={17} aria-hidden /> Make a return of {plural(going.length, 'part')}
        </Button>
      </div>
      <ul>
        {parts.map((part) => (
          <li key={keyOf(part)} className="border-t border-rule py-1">
            <Check
              checked={chosen.has(keyOf(part))}
              onChecked={(on) => toggle(part, on)}
              label={
                <>
                  {part.text} <span className="font-mono">{part.serial}</span>
                </>
              }
              hint={partWords(part)}
            />
          </li>
        ))}
      </ul>
      <ErrorText>{error ? saidOf(error) : ''}</ErrorText>
    </div>
  )
}

const partWords = ({ why, invoice, credit }: { why: ReturnReason } & Returnable): string =>
  [
    RETURN_REASON_NAMES[why],
    invoice && `with ${invoice}`,
    credit === null ? '' : `cost ${money(credit)}`,
  ]
    .filter(Boolean)
    .join(' · ')
