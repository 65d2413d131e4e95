import { lazy, Suspense, useRef } from 'react'
import { useNotices } from './notices'

const Toasts = lazy(() => import('./Toasts'))

/** Where toasts come up; loaded with the first of them. */
export function ToastPlace() {
  const notices = useNotices()
  const wanted = useRef(false)
  wanted.current ||= notices.length > 0
  return (
    wanted.current && (
      <Suspense>
        <Toasts notices={notices} />
      </Suspense>
    )
  )
}
