import { Printer } from 'lucide-react'
import { Link } from 'react-router'

export function SheetLink({ jobId }: { jobId: string }) {
  return (
    <Link
      to={`/jobs/${jobId}/quote-sheet`}
      className="inline-flex min-h-11 items-center gap-2 self-start rounded-sm border border-rule-2 px-3 font-medium hover:bg-sheet-2"
    >
      <Printer size={17} aria-hidden /> For the customer, to print
    </Link>
  )
}
