import type { Quote, QuoteDocument, Terms } from '@tembrix/core/things/records'
import { useMemo } from 'react'
import {
  type JobNeed,
  useJob,
  useModelRecord,
  useNeed,
  useShop,
  useValidated,
} from '../../base/file'
import { type Basis, documentOf, type Worked, workedOption } from './document'

export interface Quoting {
  terms: Terms
  need: JobNeed
  /** The newest quote of the job. */
  quote: Quote | null
  worked: Worked[]
  document: QuoteDocument | null
}

/** The job's newest quote (or the one named) and what it comes to. */
export function useQuote(quoteId?: string): Quoting {
  const view = useJob()
  const need = useNeed()
  const { terms } = useShop()
  const { quotes } = view.file
  const quote = (quoteId ? quotes.find(({ id }) => id === quoteId) : quotes.at(-1)) ?? null
  const model = useModelRecord()
  const validated = useValidated()
  return useMemo(() => {
    if (!quote) return { terms, need, quote: null, worked: [], document: null }
    const basis: Basis = { view, terms, model, gainOf: need.gainOf, validated }
    const worked = quote.document
      ? []
      : quote.options.flatMap((option) => workedOption(basis, quote, option) ?? [])
    return { terms, need, quote, worked, document: documentOf(basis, quote, worked) }
  }, [view, need, terms, quote, model, validated])
}
