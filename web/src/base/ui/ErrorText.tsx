import type { ReactNode } from 'react'

/** What went wrong with what was just done, said where it was done; nothing where nothing did. */
export function ErrorText({
  children,
  className = '',
}: {
  children: ReactNode
  className?: string
}) {
  if (!children) return null
  return (
    <p role="alert" className={`font-medium text-stop ${className}`}>
      {children}
    </p>
  )
}
