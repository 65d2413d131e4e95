import type { QuoteState } from '@tembrix/core/shop/quote'
import type { Quote, QuoteDocument } from '@tembrix/core/things/records'
import { capital, day, moneyIn } from '../../../../base/format'

interface Version {
  quote: Quote
  document: QuoteDocument | null
}

const on = (at: string | undefined) => (at ? ` on ${day(at)}` : '')

/** What became of a version, in a sentence. */
export const STATES: Record<QuoteState, (version: Version) => string> = {
  drafted: () => 'A draft, not offered yet.',
  offered: ({ quote }) => `Offered${on(quote.offered?.at)}, no answer yet.`,
  approved: (version) => `${agreement(version)}.`,
  declined: ({ quote }) => `Declined by the customer${on(quote.ended?.at)}.`,
  withdrawn: ({ quote, document }) => {
    const was = quote.approval ? `${agreement({ quote, document })}; ` : ''
    return capital(`${was}withdrawn${on(quote.ended?.at)}.`)
  },
  expired: ({ document }) => `Offered, but it ran out on ${day(document?.validUntil ?? '')}.`,
  replaced: ({ quote, document }) => {
    if (quote.approval) return `${agreement({ quote, document })}; replaced by a later approval.`
    return document ? 'Offered, replaced by a later version.' : 'Never offered, replaced.'
  },
}

function agreement({ quote: { approval }, document }: Version): string {
  const option = document?.options.find(({ id }) => id === approval?.optionId)
  if (!approval || !document || !option) return 'Approved'
  const amount = moneyIn(document.currency)(option.toPay)
  return `${option.title}, ${amount}, approved by ${approval.name} on ${day(approval.at)}`
}
