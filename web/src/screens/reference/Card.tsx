import type { ReactNode } from 'react'

/** One of the small tools, with its name. */
export function Card({
  title,
  className = '',
  children,
}: {
  title: string
  className?: string
  children: ReactNode
}) {
  return (
    <section aria-label={title} className={`flex flex-col gap-3 bg-sheet p-4 ${className}`}>
      <h2 className="font-semibold">{title}</h2>
      {children}
    </section>
  )
}
