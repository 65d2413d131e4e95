import type { PlannedPart } from '@tembrix/core/shop/orders'
import { day, list, today } from '../../../../base/format'

/** Where a part is that cannot be fitted yet, and when it comes; no full stop. */
export function absentWords({ place, ordered }: Pick<PlannedPart, 'place' | 'ordered'>): string {
  const by = ordered && `order ${ordered.order.number} of ${ordered.order.supplier}`
  const wrong =
    ordered && ordered.wrong.length > 0
      ? `; ${list([...new Set(ordered.wrong)])} came in its place and is not fitted`
      : ''
  switch (place) {
    case 'to-order':
      return 'nobody has ordered it'
    case 'draft':
      return `${by} is not sent yet`
    case 'on-its-way':
      return `${by}, ${dueWords(ordered?.dueOn ?? null)}${wrong}`
    case 'bad':
      return 'it is put aside as bad; another goes in its place'
    default:
      return 'it has left the shelf; plan another'
  }
}

function dueWords(dueOn: string | null): string {
  if (dueOn === null) return 'no date is confirmed'
  return dueOn < today() ? `was due on ${day(dueOn)}: ask where it is` : `due on ${day(dueOn)}`
}
