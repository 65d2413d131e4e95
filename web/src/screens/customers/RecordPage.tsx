import type { ReactNode } from 'react'
import { Link } from 'react-router'
import { Bar } from '../../base/shell'
import { LoadError, PageMessage, Waiting } from '../../base/ui'

interface Props {
  kind: 'customer' | 'machine'
  title: string
  isRead: boolean
  error: unknown
  onRetry: () => void
  children: ReactNode
}

const isMissing = (error: unknown): boolean =>
  typeof error === 'object' &&
  error !== null &&
  'status' in error &&
  (error.status === 404 || error.status === 400)

/** The frame of a record's page: opening, missing, not to be read, or what it has. */
export function RecordPage({ kind, title, isRead, error, onRetry, children }: Props) {
  return (
    <div className="flex min-h-dvh flex-col">
      <Bar>
        <h1 className="font-semibold">{title || (kind === 'customer' ? 'Customer' : 'Machine')}</h1>
      </Bar>
      <main
        id="work"
        tabIndex={-1}
        className="outline-none mx-auto flex w-full max-w-6xl flex-1 flex-col gap-5 p-4"
      >
        {isRead ? (
          children
        ) : isMissing(error) ? (
          <PageMessage title={`There is no such ${kind}`}>
            <Link to="/" className="inline-flex min-h-11 items-center underline">
              To the counter
            </Link>
          </PageMessage>
        ) : error ? (
          <LoadError title={`The ${kind} cannot be read`} onRetry={onRetry} />
        ) : (
          <Waiting>Opening the {kind}…</Waiting>
        )}
      </main>
    </div>
  )
}
