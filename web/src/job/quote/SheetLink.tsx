import { Printer } from 'lucide-react'
import { Link } from 'react-router'

/** Where a version of the quote is printed; the newest one where none is named. */
export const sheetOf = (jobId: string, version?: number): string =>
  `/jobs/${jobId}/quote-sheet${version === undefined ? '' : `?version=${version}`}`

export function SheetLink({ jobId, version }: { jobId: string; version?: number }) {
  return (
    <Link
      to={sheetOf(jobId, version)}
      className="inline-flex min-h-11 items-center gap-2 self-start rounded-sm border border-rule-2 px-3 font-medium hover:bg-sheet-2"
    >
      <Printer size={17} aria-hidden /> For the customer, to print
    </Link>
  )
}
