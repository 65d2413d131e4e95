import { Printer } from 'lucide-react'
import { Link } from 'react-router'

/** The way to a page that is printed. */
export function PrintLink({ to, children }: { to: string; children: string }) {
  return (
    <Link
      to={to}
      className="inline-flex min-h-11 items-center gap-2 self-start rounded-sm border border-rule-2 px-3 font-medium hover:bg-sheet-2"
    >
      <Printer size={17} aria-hidden /> {children}
    </Link>
  )
}
