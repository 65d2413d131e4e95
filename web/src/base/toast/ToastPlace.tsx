import { lazy, Suspense, useRef } from 'react'
import { useTold } from './told'

const Toasts = lazy(() => import('./Toasts'))

/** Where toasts come up; loaded with the first of them. */
export function ToastPlace() {
  const told = useTold()
  const wanted = useRef(false)
  wanted.current ||= told.length > 0
  return (
    wanted.current && (
      <Suspense>
        <Toasts told={told} />
      </Suspense>
    )
  )
}
