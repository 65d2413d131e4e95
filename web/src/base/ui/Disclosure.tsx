import { ChevronRight } from 'lucide-react'
import { type ComponentProps, type ReactNode, useState } from 'react'

interface Props extends Omit<ComponentProps<'details'>, 'onToggle'> {
  summary: ReactNode
  /** Opens it, from the start or once there is a reason to; it is never closed under a hand. */
  open?: boolean
  /** Told whether it is open now. */
  onOpen?: (open: boolean) => void
}

/** What is folded away behind a line that says what it is; made when it is first opened. */
export function Disclosure({ summary, onOpen, open = false, children, ...rest }: Props) {
  const [state, setState] = useState({ open, made: open, asked: open })
  if (open !== state.asked) {
    setState({ open: state.open || open, made: state.made || open, asked: open })
  }
  return (
    <details
      {...rest}
      open={state.open}
      onToggle={({ currentTarget: { open: isOpen } }) => {
        setState((now) => ({ ...now, open: isOpen, made: now.made || isOpen }))
        onOpen?.(isOpen)
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
      {state.made && children}
    </details>
  )
}
