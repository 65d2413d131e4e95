import { type QuoteState, stateOf } from '@tembrix/core/quote'
import type { Quote, QuoteDocument, QuotedOption } from '@tembrix/core/records'
import { Link, useSearchParams } from 'react-router'
import { day, dayAndTime, Message, moneyIn, today } from '../../../base/ui'
import { useJob } from '../file'
import { JobSheet, SheetHead } from '../sheet'
import { STATES } from './states'
import { useQuote } from './useQuote'

/** What a paper has to say of itself, so that nobody signs it by mistake. */
const NO_LONGER = new Set<QuoteState>(['declined', 'withdrawn', 'expired', 'replaced'])

/** The quote on paper, in words for the customer. */
export function QuoteSheet() {
  return (
    <JobSheet step="quote" back="Back to the quote">
      <Sheet />
    </JobSheet>
  )
}

function Sheet() {
  const { file } = useJob()
  const [search] = useSearchParams()
  const wanted = search.get('version')
  const { quote, document } = useQuote(
    file.quotes.find(({ number }) => String(number) === wanted)?.id,
  )
  const state = quote && stateOf(quote, file.quotes, today())
  if (!quote || !document) {
    return (
      <Message title="Nothing is offered yet">
        <Link to={`/jobs/${file.id}/quote`} className="underline">
          To the quote
        </Link>
      </Message>
    )
  }
  const { options, currency, taxPercent, pricesIncludeTax } = document
  const several = options.length > 1
  return (
    <main className="mx-auto my-4 max-w-[52rem] bg-sheet p-8 print:m-0 print:max-w-none print:p-0">
      <Head quote={quote} document={document} number={file.number} />
      {state && NO_LONGER.has(state) && (
        <p className="mb-4 border-2 border-ink p-3 font-semibold">
          {STATES[state]({ quote, document })}
        </p>
      )}
      <p className="mb-4">
        Memory is where a computer keeps what it is working with; when it is full, it has to fetch
        everything from the much slower disk.
        {several && ` You can choose between ${options.length} ways; each is complete in itself.`}
      </p>
      {options.map((option) => (
        <Offered
          key={option.id}
          option={option}
          chosen={quote.approval?.optionId === option.id}
          currency={currency}
          taxPercent={taxPercent}
          pricesIncludeTax={pricesIncludeTax}
        />
      ))}
      <section className="keep-together mt-5 text-[0.93rem]">
        {document.note && <p className="mb-2 whitespace-pre-line">{document.note}</p>}
        {document.returnTerms && (
          <p className="mb-2 whitespace-pre-line">
            <b className="font-semibold">If it turns out not to work:</b> {document.returnTerms}
          </p>
        )}
        <p>
          Please save your work and keep a copy of it elsewhere before you bring the computer. If
          its drive is encrypted, bring the recovery key: a change in its setup may ask for it. What
          we expect of speed is an estimate from the figures of your computer, not a promise.
        </p>
      </section>
      <Agreement quote={quote} document={document} />
    </main>
  )
}

function Head({
  quote,
  document,
  number,
}: {
  quote: Quote
  document: QuoteDocument
  number: number
}) {
  const { customerName, machineName, validUntil } = document
  const made =
    quote.offered?.at ?? quote.approval?.at ?? (quote.updatedAt || new Date().toISOString())
  return (
    <SheetHead
      shop={document}
      title="Quote for more memory"
      customerName={customerName}
      machineName={machineName}
      number={number}
    >
      {quote.number > 1 && `, version ${quote.number}`}
      <p>{day(made)}</p>
      <p>
        Valid until <b className="font-semibold">{day(validUntil)}</b>
      </p>
    </SheetHead>
  )
}

interface OfferedProps {
  option: QuotedOption
  chosen: boolean
  currency: QuoteDocument['currency']
  taxPercent: number
  pricesIncludeTax: boolean
}

function Offered({ option, chosen, currency, taxPercent, pricesIncludeTax }: OfferedProps) {
  const money = moneyIn(currency)
  const { title, wording, lines, tax, total, credit, toPay, deposit } = option
  const row = (name: string, amount: number, strong = false) => (
    <tr className={strong ? 'border-t border-ink font-semibold' : ''}>
      <th scope="row" className={`py-0.5 pr-4 text-left ${strong ? '' : 'font-normal'}`}>
        {name}
      </th>
      <td className="text-right whitespace-nowrap">{money(amount)}</td>
    </tr>
  )
  return (
    <section className="keep-together mb-5 border-t border-rule-2 pt-3">
      <h2 className="mb-1 flex justify-between gap-4 text-lg font-semibold">
        <span>
          {title}
          {chosen && <span className="ml-2 text-sm font-semibold">(approved)</span>}
        </span>
        <span className="whitespace-nowrap">{money(toPay)}</span>
      </h2>
      <p className="mb-2 whitespace-pre-line">{wording}</p>
      <table className="w-full text-[0.93rem]">
        <tbody>
          {lines
            .filter(({ kind }) => kind !== 'credit')
            .map(({ text, quantity, amount }) => (
              <tr key={text}>
                <td className="py-0.5 pr-4">{quantity > 1 ? `${quantity} × ${text}` : text}</td>
                <td className="text-right whitespace-nowrap">{money(amount)}</td>
              </tr>
            ))}
          {!pricesIncludeTax && row(`Tax, ${taxPercent} %`, tax)}
          {row(
            pricesIncludeTax ? `Total, with ${money(tax)} tax (${taxPercent} %)` : 'Total',
            total,
            true,
          )}
          {lines
            .filter(({ kind }) => kind === 'credit')
            .map(({ text, amount }) => (
              <tr key={text}>
                <td className="py-0.5 pr-4">{text}</td>
                <td className="text-right whitespace-nowrap">{money(amount)}</td>
              </tr>
            ))}
          {credit > 0 && row('To pay', toPay, true)}
          {deposit > 0 && row('of which a deposit', deposit)}
        </tbody>
      </table>
    </section>
  )
}

function Agreement({ quote, document }: { quote: Quote; document: QuoteDocument }) {
  const { approval } = quote
  if (approval) {
    const option = document.options.find(({ id }) => id === approval.optionId)
    return (
      <p className="keep-together mt-6 border-2 border-ink p-3">
        <b className="font-semibold">{approval.name}</b> agreed to “{option?.title}” on{' '}
        {dayAndTime(approval.at)}.
      </p>
    )
  }
  return (
    <footer className="keep-together mt-10 break-before-avoid grid grid-cols-3 gap-6 text-sm">
      {[
        document.options.length > 1 ? 'Which option' : 'I agree to this',
        'Name and signature',
        'Date',
      ].map((name) => (
        <p key={name} className="border-t border-ink pt-1">
          {name}
        </p>
      ))}
    </footer>
  )
}
