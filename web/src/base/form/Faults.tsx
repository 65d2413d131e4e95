import { plural } from '../format'
import { callout } from '../ui'

/** Above a form: how many of its fields are wrong. Each says itself what. */
export function Faults({ count }: { count: number }) {
  if (count === 0) return null
  return (
    <p role="alert" className={callout({ tone: 'stop', className: 'font-medium' })}>
      {plural(count, 'field needs', 'fields need')} correcting; nothing typed is lost.
    </p>
  )
}
