import type { ReactNode } from 'react'
import { Button } from './Button'
import { PageMessage } from './PageMessage'

const LOOK = 'p-8 text-center text-ink-2'

/** In place of what is being read: what that is. */
export const Waiting = ({ children }: { children: ReactNode }) => (
  <p role="status" className={LOOK}>
    {children}
  </p>
)

/** In place of a list that is empty: why, and what would fill it. */
export const Nothing = ({ children }: { children: ReactNode }) => <p className={LOOK}>{children}</p>

interface UnreadProps {
  /** What cannot be read. */
  title: string
  onRetry: () => void
  /** Why, where more is known than that the server is silent. */
  children?: ReactNode
}

/** In place of what cannot be read: that, and the way to try again. */
export function LoadError({ title, onRetry, children }: UnreadProps) {
  return (
    <PageMessage title={title}>
      <p>{children ?? 'The server does not answer.'}</p>
      <Button onClick={onRetry}>Try again</Button>
    </PageMessage>
  )
}
