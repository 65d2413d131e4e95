import { type QuoteState, stateOf } from '@tembrix/core/shop/quote'
import type { Quote, QuoteDocument, QuotedOption } from '@tembrix/core/things/records'
import { day, dayAndTime, moneyIn, today } from '../../../../base/format'
import { type Block, code, type Paper, type PaperRow, strong } from '../../../../parts/papers'
import { STATES } from './states'

/** What a paper has to say of itself, so that nobody signs it by mistake. */
const NO_LONGER = new Set<QuoteState>(['declined', 'withdrawn', 'expired', 'replaced'])

/** A quote as the customer gets it: what is offered, what it costs, and where it is agreed to. */
export function quotePaper(
  quote: Quote,
  document: QuoteDocument,
  job: { number: number; quotes: readonly Quote[] },
): Paper {
  const { shopName, address, customerName, machineName, validUntil, options } = document
  const made =
    quote.offered?.at ?? quote.approval?.at ?? (quote.updatedAt || new Date().toISOString())
  const version = quote.number > 1 ? `, version ${quote.number}` : ''
  return {
    title: 'Quote for more memory',
    file: `Job ${job.number} quote${version}`,
    from: { shopName, address },
    about: [['for ', strong(customerName), ` · ${machineName}`]],
    beside: [
      ['Job ', code(String(job.number)), version],
      day(made),
      ['Valid until ', strong(day(validUntil))],
    ],
    blocks: [
      ...standing(quote, document, stateOf(quote, job.quotes, today())),
      { is: 'text', text: opening(options.length) },
      ...options.map((option) => offered(option, document, quote.approval?.optionId === option.id)),
      conditions(document),
      agreement(quote, document),
    ],
  }
}

function standing(quote: Quote, document: QuoteDocument, state: QuoteState): Block[] {
  if (!NO_LONGER.has(state)) return []
  const text = [strong(STATES[state]({ quote, document }))]
  return [{ is: 'part', look: 'framed', blocks: [{ is: 'text', text }] }]
}

function opening(options: number): string {
  const why =
    'Memory is where a computer keeps what it is working with; when it is full, it has to fetch everything from the much slower disk.'
  return options > 1
    ? `${why} You can choose between ${options} ways; each is complete in itself.`
    : why
}

function offered(
  { title, wording, lines, tax, total, credit, toPay, deposit }: QuotedOption,
  { currency, taxPercent, pricesIncludeTax }: QuoteDocument,
  chosen: boolean,
): Block {
  const money = moneyIn(currency)
  const rowsOf = (kind: (credit: boolean) => boolean): PaperRow[] =>
    lines
      .filter((line) => kind(line.kind === 'credit'))
      .map(({ text, quantity, amount }) => ({
        cells: [quantity > 1 ? `${quantity} × ${text}` : text, money(amount)],
      }))
  const sum = pricesIncludeTax ? `Total, with ${money(tax)} tax (${taxPercent} %)` : 'Total'
  return {
    is: 'part',
    look: 'ruled',
    blocks: [
      { is: 'heading', text: chosen ? `${title} (approved)` : title, amount: money(toPay) },
      { is: 'text', text: wording },
      {
        is: 'table',
        look: 'plain',
        columns: [
          { name: 'What', share: 5 },
          { name: 'Amount', share: 1, figures: true },
        ],
        rows: [
          ...rowsOf((isCredit) => !isCredit),
          ...(pricesIncludeTax ? [] : [{ cells: [`Tax, ${taxPercent} %`, money(tax)] }]),
          { cells: [sum, money(total)], sum: true },
          ...rowsOf((isCredit) => isCredit),
          ...(credit > 0 ? [{ cells: ['To pay', money(toPay)], sum: true as const }] : []),
          ...(deposit > 0 ? [{ cells: ['of which a deposit', money(deposit)] }] : []),
        ],
      },
    ],
  }
}

function conditions({ note, returnTerms }: QuoteDocument): Block {
  const blocks: Block[] = [
    ...(note ? [{ is: 'text' as const, text: note }] : []),
    ...(returnTerms
      ? [{ is: 'text' as const, text: [strong('If it turns out not to work: '), returnTerms] }]
      : []),
    {
      is: 'text',
      text: 'Please save your work and keep a copy of it elsewhere before you bring the computer. If its drive is encrypted, bring the recovery key: a change in its setup may ask for it. What we expect of speed is an estimate from the figures of your computer, not a promise.',
    },
  ]
  return { is: 'part', blocks }
}

function agreement({ approval }: Quote, { options }: QuoteDocument): Block {
  if (!approval) {
    const which = options.length > 1 ? 'Which option' : 'I agree to this'
    return { is: 'signatures', names: [which, 'Name and signature', 'Date'] }
  }
  const option = options.find(({ id }) => id === approval.optionId)
  const text = [
    strong(approval.name),
    ` agreed to “${option?.title}” on ${dayAndTime(approval.at)}.`,
  ]
  return { is: 'part', look: 'framed', blocks: [{ is: 'text', text }] }
}
