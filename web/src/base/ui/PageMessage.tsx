import type { ReactNode } from 'react'

/** A page's plain word on why there is nothing else to show. */
export function PageMessage({ title, children }: { title: string; children?: ReactNode }) {
  return (
    <div className="m-auto max-w-md p-8 text-center">
      <h1 className="mb-2 text-xl font-semibold">{title}</h1>
      <div className="flex flex-col items-center gap-4 text-ink-2">{children}</div>
    </div>
  )
}
