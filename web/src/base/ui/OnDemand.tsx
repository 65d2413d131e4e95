import { type ReactElement, type ReactNode, Suspense, useState } from 'react'

interface Props {
  /** What it is called; none where its face says it. */
  label?: string
  className: string
  /** What is on the button. */
  face: ReactNode
  /** What the button opens, around it as its trigger: loaded when first pressed, and open from the start. */
  children: (trigger: ReactElement) => ReactNode
}

/** A button whose menu or panel is loaded when it is first pressed. */
export function OnDemand({ label, className, face, children }: Props) {
  const [wanted, setWanted] = useState(false)
  const button = (onClick?: () => void) => (
    <button
      type="button"
      aria-haspopup="true"
      className={className}
      {...(label ? { 'aria-label': label } : {})}
      {...(onClick ? { onClick } : {})}
    >
      {face}
    </button>
  )
  if (!wanted) return button(() => setWanted(true))
  return <Suspense fallback={button()}>{children(button())}</Suspense>
}
