import { ChevronRight } from 'lucide-react'
import { type ComponentProps, type ReactNode, useState } from 'react'

interface Props extends Omit<ComponentProps<'details'>, 'onToggle'> {
  summary: ReactNode
  /** Told whether it is open now. */
  onOpen?: (open: boolean) => void
}

/** What is folded away behind a line that says what it is; made when it is first opened. */
export function Disclosure({ summary, onOpen, open = false, children, ...rest }: Props) {
  const [made, setMade] = useState(open)
  return (
    <details
      {...rest}
      open={open}
      onToggle={({ currentTarget }) => {
        if (currentTarget.open) setMade(true)
        onOpen?.(currentTarget.open)
      }}
    >
      <summary className="flex min-h-11 cursor-pointer list-none items-center gap-1.5 [&::-webkit-details-marker]:hidden">
        <ChevronRight
          size={16}
          aria-hidden
          className="shrink-0 text-ink-2 [[open]>summary>&]:rotate-90"
        />
        <span className="min-w-0 flex-1">{summary}</span>
      </summary>
      {made && children}
    </details>
  )
}
