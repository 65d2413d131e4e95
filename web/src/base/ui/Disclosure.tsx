import { ChevronRight } from 'lucide-react'
import type { ComponentProps, ReactNode } from 'react'

interface Props extends Omit<ComponentProps<'details'>, 'onToggle'> {
  summary: ReactNode
  /** Told whether it is open now. */
  onOpen?: (open: boolean) => void
}

/** What is folded away behind a line that says what it is. */
export function Disclosure({ summary, onOpen, children, ...rest }: Props) {
  return (
    <details {...rest} onToggle={({ currentTarget }) => onOpen?.(currentTarget.open)}>
      <summary className="flex min-h-11 cursor-pointer list-none items-center gap-1.5 [&::-webkit-details-marker]:hidden">
        <ChevronRight
          size={16}
          aria-hidden
          className="shrink-0 text-ink-2 [[open]>summary>&]:rotate-90"
        />
        <span className="min-w-0 flex-1">{summary}</span>
      </summary>
      {children}
    </details>
  )
}
