import { Link, useSearchParams } from 'react-router'
import { PageMessage } from '../../../../base/ui'
import { useJob } from '../../base/file'
import { JobPaper, JobSheet } from '../../base/sheet'
import { quotePaper } from './quotePaper'
import { useQuote } from './useQuote'

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
  if (!quote || !document) {
    return (
      <PageMessage title="Nothing is offered yet">
        <Link to={`/jobs/${file.id}/quote`} className="inline-flex min-h-11 items-center underline">
          To the quote
        </Link>
      </PageMessage>
    )
  }
  return <JobPaper paper={quotePaper(quote, document, file)} />
}
