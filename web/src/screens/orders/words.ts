import type { OrderState } from '@tembrix/core/shop/orders'

export const ORDER_STATE_NAMES: Record<OrderState, string> = {
  draft: 'not sent yet',
  sent: 'sent, not confirmed',
  confirmed: 'confirmed',
  late: 'late',
  part: 'part delivered',
  delivered: 'delivered',
  refused: 'refused',
  cancelled: 'cancelled',
}
